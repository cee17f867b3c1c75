import type { RemedyId } from '../../knowledge';

/** What a whole job did, as it is said to somebody who does not mend machines. */
export const PLAIN_REMEDY: Readonly<Record<RemedyId, string>> = {
  'carburettor-rebuild': 'The carburettor was taken apart, cleaned and fitted with a repair kit.',
  'new-plug': 'A new spark plug was fitted.',
  'fresh-mix': 'The tank was drained, flushed and filled with fresh mix.',
  'line-and-filter': 'A new fuel line, seal and filter were fitted.',
  'set-low-screw': 'The carburettor was set for low speed.',
  'set-high-screw': 'The carburettor was set for full speed.',
  'set-coil-gap': 'The ignition coil was set to its distance from the flywheel.',
  'mend-stop-wire': 'The stop switch and its wire were mended.',
  'reseal-case': 'The crankcase was sealed anew.',
  'clean-exhaust': 'Spark screen, exhaust opening and muffler were cleaned.',
  'top-end': 'A new piston, ring and cylinder were fitted.',
  'bottom-end': 'A new engine block was fitted.',
};
