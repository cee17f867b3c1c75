import type { ReactElement } from 'react';
import { gaugeSet, type GaugeSetting } from '../../app/settings';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { NumberField } from '../../ui/NumberField';

const FIELDS: readonly {
  name: keyof GaugeSetting;
  label: string;
  usual: string;
  min: number;
  max: number;
}[] = [
  { name: 'hoseMl', label: 'Hose it fills, ml', usual: '0', min: 0, max: 100 },
  { name: 'altitudeM', label: 'Altitude, m', usual: '0', min: -450, max: 6000 },
  { name: 'floorPsi', label: 'Low under, psi', usual: 'none', min: 20, max: 250 },
];

/** The compression gauge of this bench: its hose, the altitude, and the squeeze that counts as low. */
export function GaugeSettings(): ReactElement {
  const dispatch = useAppDispatch();
  const gauge = useAppSelector((s) => s.settings.gauge);
  return (
    <div className="flex flex-wrap gap-4">
      {FIELDS.map(({ name, label, usual, min, max }) => (
        <NumberField
          key={name}
          label={label}
          value={gauge[name] ?? null}
          placeholder={usual}
          min={min}
          max={max}
          onChange={(value) => dispatch(gaugeSet({ ...gauge, [name]: value ?? undefined }))}
        />
      ))}
    </div>
  );
}
