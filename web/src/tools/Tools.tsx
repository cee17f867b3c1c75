import { checkOf } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS, type MachineFacts, type MachineKind } from '@rusty-wren/core/machine';
import { PRESSURE_CHECKS, TARGETS, type PressureCheck } from '@rusty-wren/core/pressure';
import { useState, type ReactElement } from 'react';
import { NavLink, useParams } from 'react-router';
import { AirGap } from '../instruments/airgap/AirGap';
import { SqueezeGauge } from '../instruments/compression/SqueezeGauge';
import { Figures } from '../instruments/Figures';
import { NumberField } from '../ui/NumberField';
import { ButtonHeight } from '../instruments/metering/ButtonHeight';
import { GaugeWatch } from '../instruments/pressure/GaugeWatch';
import { ScrewCounter } from '../instruments/screws/ScrewCounter';
import { Air } from './Air';
import { CompareGauges } from './CompareGauges';
import { Converter } from './Converter';
import { FuelMix } from './FuelMix';

interface Tool {
  id: string;
  name: string;
  /** It judges by a machine's figures. */
  judges?: true;
  show: (machine: MachineFacts) => ReactElement;
}

const figures = (id: 'plug-gap' | 'metering-lever'): Pick<Tool, 'judges' | 'show'> => ({
  judges: true,
  show: (machine) => <Figures check={checkOf(id)} machine={machine} />,
});

const TOOLS: readonly Tool[] = [
  { id: 'pressure', name: 'Pressure and vacuum', show: () => <AnyWatch /> },
  {
    id: 'squeeze',
    name: 'Squeeze',
    judges: true,
    show: (machine) => <SqueezeGauge check="compression-gauge" machine={machine} />,
  },
  { id: 'gauges', name: 'Compare two gauges', show: () => <CompareGauges /> },
  { id: 'air-gap', name: 'Coil air gap', judges: true, show: (machine) => <AirGap machine={machine} /> },
  { id: 'plug-gap', name: 'Plug gap', ...figures('plug-gap') },
  { id: 'lever', name: 'Metering lever', ...figures('metering-lever') },
  { id: 'button', name: 'Diaphragm button', show: () => <ButtonHeight /> },
  { id: 'screws', name: 'Screw turns', judges: true, show: (machine) => <ScrewCounter machine={machine} /> },
  { id: 'fuel', name: 'Fuel mix', show: () => <FuelMix /> },
  { id: 'air', name: 'Altitude and weather', show: () => <Air /> },
  { id: 'convert', name: 'Converter', show: () => <Converter /> },
];

/** The instruments and reckoners by themselves, without a job: nothing is logged. */
export function Tools(): ReactElement {
  const { tool: wanted } = useParams();
  const tool = TOOLS.find((t) => t.id === wanted) ?? TOOLS[0]!;
  const [machine, setMachine] = useState<MachineFacts>({ kind: 'chainsaw', displacementCc: 45 });
  return (
    <div className="grid flex-1 gap-x-10 gap-y-4 px-3 py-5 sm:px-5 lg:grid-cols-[15rem_minmax(0,44rem)]">
      <nav aria-label="Tools" className="flex gap-1 overflow-x-auto whitespace-nowrap lg:flex-col">
        {TOOLS.map((t) => (
          <NavLink
            key={t.id}
            to={`/tools/${t.id}`}
            aria-current={t === tool ? 'page' : undefined}
            className={`flex min-h-11 shrink-0 items-center rounded-md px-3 text-lg font-semibold ${t === tool ? 'bg-ink text-paper' : 'hover:bg-line'}`}
          >
            {t.name}
          </NavLink>
        ))}
        <NavLink
          to="/parts"
          className="flex min-h-11 shrink-0 items-center rounded-md px-3 text-lg font-semibold hover:bg-line md:hidden"
        >
          Parts
        </NavLink>
        <NavLink
          to="/specs"
          className="flex min-h-11 shrink-0 items-center rounded-md px-3 text-lg font-semibold hover:bg-line lg:mt-3"
        >
          Spec cards
        </NavLink>
        <NavLink
          to="/shop"
          className="flex min-h-11 shrink-0 items-center rounded-md px-3 text-lg font-semibold hover:bg-line"
        >
          Rules and prices
        </NavLink>
        <NavLink
          to="/practice"
          className="flex min-h-11 shrink-0 items-center rounded-md px-3 text-lg font-semibold hover:bg-line"
        >
          Practice
        </NavLink>
      </nav>
      <div>
        <h1 className="mb-4 text-4xl font-bold">{tool.name}</h1>
        {tool.judges && (
          <div className="mb-5 flex flex-wrap items-end gap-4">
            <label className="font-semibold">
              Judged as a
              <select
                value={machine.kind}
                onChange={(e) => setMachine({ ...machine, kind: e.target.value as MachineKind })}
                className="mt-1 block min-h-14 rounded-md border-2 border-line bg-card px-3 text-xl"
              >
                {MACHINE_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {kind.replace('-', ' ')}
                  </option>
                ))}
              </select>
            </label>
            <NumberField
              label="of cc"
              value={machine.displacementCc ?? null}
              min={10}
              max={200}
              onChange={(cc) =>
                setMachine({ kind: machine.kind, ...(cc !== null && { displacementCc: cc }) })
              }
            />
          </div>
        )}
        <div key={tool.id}>{tool.show(machine)}</div>
      </div>
    </div>
  );
}

/** A watch of any target. */
function AnyWatch(): ReactElement {
  const [check, setCheck] = useState<PressureCheck>('line-pressure');
  return (
    <>
      <label className="mb-5 block font-semibold">
        On
        <select
          value={check}
          onChange={(e) => setCheck(e.target.value as PressureCheck)}
          className="mt-1 block min-h-14 rounded-md border-2 border-line bg-card px-3 text-xl"
        >
          {PRESSURE_CHECKS.map((id) => (
            <option key={id} value={id}>
              {TARGETS[id].name}
            </option>
          ))}
        </select>
      </label>
      <GaugeWatch key={check} check={check} />
    </>
  );
}
