import type { CheckId } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { Jar } from './Jar';
import { Mesh } from './Mesh';
import { Bore, Fins, Key, Piston, Port } from './Metal';
import { Plug } from './Plug';
import { AirFilter, FuelFilter, MeteringDiaphragm, PumpDiaphragm, Spark } from './Soft';

/** What is drawn, of what can be seen: by check, for a result. */
export const DRAWN: Partial<Readonly<Record<CheckId, (props: { result: string }) => ReactElement>>> = {
  'plug-look': Plug,
  'fuel-look': Jar,
  'spark-tester': Spark,
  'spark-screen-look': Mesh,
  'inlet-screen': Mesh,
  'piston-exhaust-side': Piston,
  'piston-intake-side': Piston,
  'cylinder-peep': Bore,
  'exhaust-port-look': Port,
  'cooling-fins': Fins,
  'flywheel-key': Key,
  'metering-diaphragm': MeteringDiaphragm,
  'pump-diaphragm': PumpDiaphragm,
  'air-filter-look': AirFilter,
  'fuel-filter-look': FuelFilter,
};
