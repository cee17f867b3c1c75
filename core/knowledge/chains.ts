import type { CauseId } from './causes';
import type { Strength } from './strength';

/** One fault that brings another about. */
export interface Chain {
  from: CauseId;
  to: CauseId;
  often: Strength;
  /** Mending what was brought about without an answer to what brought it is a job that comes back. */
  asked?: true;
}

const brings = (from: CauseId, to: Partial<Record<CauseId, Strength>>, asked?: true): Chain[] =>
  Object.entries(to).map(([id, often]) => ({ from, to: id as CauseId, often, ...(asked && { asked }) }));

/** Chains of damage, as the trade tells them. What was brought about is asked after its cause before a job is finished. */
export const CHAINS: readonly Chain[] = [
  ...brings(
    'oil-heavy-mix',
    {
      'spark-screen-clogged': 'usually',
      'plug-fouled': 'often',
      'exhaust-port-carboned': 'often',
      'ring-stuck': 'sometimes',
    },
    true,
  ),
  ...brings('no-oil-in-fuel', { 'piston-heat-scored': 'almost-always', 'ring-stuck': 'often' }, true),
  ...brings('no-oil-in-fuel', { 'bottom-end-worn': 'sometimes' }, true),
  ...brings('intake-leak', { 'piston-heat-scored': 'sometimes', 'ring-stuck': 'rarely' }, true),
  ...brings('intake-leak', { 'piston-dirt-worn': 'often' }, true),
  ...brings('crank-seal-leak', { 'piston-heat-scored': 'sometimes' }, true),
  ...brings('base-gasket-leak', { 'piston-heat-scored': 'sometimes' }, true),
  ...brings('high-screw-lean', { 'piston-heat-scored': 'sometimes', 'ring-stuck': 'rarely' }, true),
  ...brings('cooling-fins-blocked', { 'piston-heat-scored': 'sometimes' }, true),
  ...brings('chain-dull', { 'piston-heat-scored': 'hardly-ever' }),
  ...brings('piston-heat-scored', { 'ring-stuck': 'often' }),
  ...brings(
    'fuel-filter-off',
    { 'inlet-screen-clogged': 'usually', 'needle-not-sealing': 'sometimes' },
    true,
  ),
  ...brings('fuel-filter-off', { 'piston-dirt-worn': 'sometimes' }, true),
  ...brings(
    'tank-dirty',
    {
      'inlet-screen-clogged': 'usually',
      'fuel-filter-clogged': 'often',
      'needle-not-sealing': 'often',
      'piston-dirt-worn': 'hardly-ever',
    },
    true,
  ),
  ...brings('air-filter-clogged', { 'piston-dirt-worn': 'rarely', 'plug-fouled': 'sometimes' }, true),
  ...brings('stale-fuel', {
    'metering-diaphragm-stiff': 'sometimes',
    'idle-circuit-blocked': 'rarely',
    'main-circuit-blocked': 'hardly-ever',
    'needle-stuck-shut': 'rarely',
    'fuel-line-leak': 'hardly-ever',
  }),
  ...brings('stale-fuel', { 'inlet-screen-clogged': 'sometimes' }, true),
  ...brings('needle-not-sealing', { 'engine-flooded': 'usually', 'plug-fouled': 'often' }, true),
  ...brings('metering-lever-high', { 'engine-flooded': 'usually', 'plug-fouled': 'often' }, true),
  ...brings('metering-diaphragm-proud', { 'engine-flooded': 'usually', 'plug-fouled': 'often' }, true),
  ...brings('metering-diaphragm-stiff', { 'engine-flooded': 'rarely' }, true),
  ...brings('choke-stuck', { 'engine-flooded': 'usually', 'plug-fouled': 'often' }, true),
  ...brings('starting-drill-wrong', { 'engine-flooded': 'usually', 'plug-fouled': 'often' }, true),
  ...brings('engine-flooded', { 'plug-fouled': 'often' }),
  ...brings('carb-tampered', {
    'low-screw-rich': 'sometimes',
    'low-screw-lean': 'sometimes',
    'high-screw-rich': 'sometimes',
    'high-screw-lean': 'sometimes',
    'metering-lever-high': 'sometimes',
    'metering-lever-low': 'sometimes',
    'metering-diaphragm-proud': 'rarely',
    'fuel-lines-swapped': 'rarely',
    'idle-stop-wrong': 'sometimes',
  }),
];

/** What may have brought a cause about and has to be answered before the job is finished. */
export const behindOf = (cause: CauseId): CauseId[] =>
  CHAINS.filter((chain) => chain.to === cause && chain.asked).map((chain) => chain.from);
