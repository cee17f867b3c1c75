import type { Role } from '@rusty-wren/contract';

/** Who may ask: anybody, whoever holds the address's own token, or a role with all above it. */
export type May = 'anybody' | 'instrument' | Role;

/**
 * Who may ask what: every address of the API by its method, with the least role. What is not in here is nobody's. What only
 * the lead may is also asked for by somebody who proved lately who they are, so that a bench changing hands in two taps gives
 * nobody the lead's.
 */
export const MAY: Readonly<Record<string, May>> = {
  'GET /api/health': 'anybody',

  'GET /api/session': 'anybody',
  'POST /api/session': 'anybody',
  'POST /api/session/first': 'anybody',
  'DELETE /api/session': 'anybody',
  'PUT /api/session/hand': 'reader',
  'POST /api/session/lock': 'reader',
  'PUT /api/session/secret': 'reader',
  'DELETE /api/session/everywhere': 'reader',

  'GET /api/stream': 'reader',
  'GET /api/accounts': 'reader',
  'GET /api/customers': 'reader',
  'GET /api/models': 'reader',
  'GET /api/find': 'reader',
  'GET /api/machines/:id': 'reader',
  'GET /api/owners/:id': 'reader',
  'GET /api/jobs': 'reader',
  'GET /api/jobs/:id': 'reader',
  'GET /api/photos/:hash': 'reader',
  'GET /api/jobs/:id/papers/:entry/pdf': 'reader',
  'GET /api/own-order': 'reader',
  'GET /api/specs': 'reader',
  'GET /api/model-notes': 'reader',
  'GET /api/settings': 'reader',
  'GET /api/learnt': 'reader',
  'GET /api/shop': 'reader',
  'GET /api/day': 'reader',
  'GET /api/parts': 'reader',
  'GET /api/feed': 'reader',

  'POST /api/jobs': 'counter',
  // The kinds that the counter notes; the others are the bench's.
  'POST /api/entries': 'counter',
  'POST /api/jobs/:id/entries': 'counter',
  'PUT /api/jobs/:id/photos/:hash': 'counter',
  'POST /api/jobs/:id/papers/:entry/link': 'counter',
  'DELETE /api/jobs/:id/papers/:entry/link': 'counter',
  'POST /api/parts/book-in': 'counter',
  'PUT /api/day/plan': 'counter',
  'POST /api/day/calendar/:account': 'counter',
  'DELETE /api/day/calendar/:account': 'counter',

  'POST /api/feed': 'instrument',
  'POST /api/feed/stand-in': 'technician',
  'PUT /api/day/pins': 'technician',
  'DELETE /api/day/pins/:task': 'technician',
  'PUT /api/parts': 'technician',
  'POST /api/parts/orders': 'technician',
  'DELETE /api/parts/orders/:id': 'technician',
  'POST /api/parts/:id/count': 'technician',
  'POST /api/jobs/:id/parts': 'technician',
  'PUT /api/model-notes': 'technician',
  'DELETE /api/model-notes/:id': 'technician',
  'POST /api/needs/:id/:act': 'technician',

  'PUT /api/own-order': 'lead',
  'PUT /api/specs': 'lead',
  'PUT /api/shop/rules': 'lead',
  'PUT /api/shop/prices': 'lead',
  'PUT /api/day/hours/:account': 'lead',
  'PUT /api/day/rooms': 'lead',
  'PUT /api/learnt': 'lead',
  'GET /api/learnt/file': 'lead',
  'PUT /api/learnt/elsewhere': 'lead',
  'DELETE /api/learnt/elsewhere/:shop': 'lead',
  'GET /api/people': 'lead',
  'POST /api/people': 'lead',
  'PUT /api/people/:id': 'lead',
  'GET /api/backups': 'lead',
  'GET /api/devices': 'lead',
  'DELETE /api/devices/:id': 'lead',
  'GET /api/instruments': 'lead',
  'POST /api/instruments': 'lead',
  'DELETE /api/instruments/:id': 'lead',
  'GET /api/done': 'lead',
  'POST /api/owners/:id/forget': 'lead',
};
