export { fingerprint, lanCertificates, type LanCertificates } from './certificates';
export { trustRoutes } from './trust';
