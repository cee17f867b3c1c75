export { fingerprint, lanCertificates, type LanCertificates } from './certificates';
export { TRUST_STYLE, trustRoutes } from './trust';
