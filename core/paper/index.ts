export { NO_EDITS, withEdits, type Edits } from './edits';
export { doneSaid, foundMended } from './done';
export { paperFor, type PaperFor } from './paperFor';
export { cardOf, DID_IT_AGAIN, PAPER_NAMES, tagOf, titleOf, workDoneOf } from './papers';
export { reportOf, type PaperOf } from './report';
export { causeClause, causeSaid, chanceSaid, findingSaid } from './words';
export { PLAIN_RESULT } from './plain/checks';
export { PLAIN_CHOICE } from './plain/choices';
export { PLAIN_COMPLAINT } from './plain/complaints';
