/** Cautions, one sentence each, shown at the step where the hurt could happen. */
export const CAUTIONS = {
  petrol: 'Petrol vapour: fresh air, cool engine, nothing that sparks.',
  tank: 'Tank may be under pressure, a hot one spurts: let it cool, crack the cap slowly, face away.',
  lines:
    'Crack the cap first: a line pulled off a warm tank spurts. Fresh air, nothing that sparks, soaked cloths outdoors.',
  spark:
    'Keep the spark away from the open plug hole and any fuel. Earth it on bare metal, not through your fingers.',
  lead: 'Earth the plug lead before pulling with the plug out.',
  noSmoke: 'Carbon monoxide: run it outdoors or under extraction.',
  running: 'Tool clear, nobody in line, eyes and ears covered. Run it outdoors or under extraction.',
  burst: 'Full throttle in bursts under five seconds. Tool clear, nobody in line, eyes and ears covered.',
  muffler: 'Muffler burns: let it cool.',
  screen: 'The spark screen goes back in: leaving it out can start a fire and may be unlawful.',
  /** Of the kind of machine: `onTool` fills it in. */
  tool: '{held}',
  solvent: 'Gloves and eye cover: solvent and air sting.',
  halfBar: 'About 0.5 bar (7 psi); never beyond 1 bar.',
  popOff:
    'Never beyond 1 bar (14.5 psi), unless the maker’s own figure is higher: not opened by then is high enough.',
  casePressure: 'Never above 0.7 bar (10 psi).',
  spring: 'The lever spring flies: cover it with a finger.',
  snug: 'Snug, no more: soft metal and plastic threads strip.',
  air: 'Air low, eyes covered. Not on diaphragms: solvent ruins them.',
  limiter: 'The caps’ range is emission law: they go back on.',
  stop: 'Piston stop only once the piston is past the exhaust port, never against a port edge. To tighten it works the other way round.',
  /** Before it goes home. */
  wash: 'Washed down? Water kept out of intake and muffler, and it must start again after.',
  barOil: 'Bar oil filled, and fresh mix in the tank or none.',
  ether: 'Premix, a teaspoon. Ether carries no oil and strips the bore.',
} as const;
