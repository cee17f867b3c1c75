export { SEEN, type Advice, type Seen } from './advice';
export { advise } from './advise';
