import { FAMILY_IDS, familyName, type FamilyId } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS, type MachineKind } from '@rusty-wren/core/machine';
import { fitName, type Fit } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { KIND_WORDS } from '../ui/words';
import { ChipField, Chips, FIELD, without } from './Chips';

/** What the part goes on: kinds, families of carburettors, models; nothing chosen goes on anything. */
export function FitsPick({
  fits,
  onChange,
}: {
  fits: readonly Fit[];
  onChange: (fits: readonly Fit[]) => void;
}): ReactElement {
  const [maker, setMaker] = useState('');
  const [model, setModel] = useState('');
  const add = (fit: Fit): void => onChange([...fits, fit]);
  return (
    <Chips
      label={fits.length === 0 ? 'It goes on anything' : 'It goes on'}
      items={fits}
      nameOf={(f) => fitName(f, (k) => `each ${KIND_WORDS[k].toLowerCase()}`)}
      onRemove={(n) => onChange(without(fits, n))}
    >
      <ChipField label="Maker" width="w-28" onType={setMaker} placeholder="maker" value={maker} />
      <ChipField label="Model" width="w-28" onType={setModel} placeholder="model" value={model} />
      <Button
        disabled={!maker.trim() || !model.trim()}
        onClick={() => {
          add({ maker: maker.trim(), model: model.trim() });
          setModel('');
        }}
      >
        Add
      </Button>
      <select
        aria-label="A kind or a family"
        value=""
        onChange={(e) => {
          const [what, id] = [e.target.value.slice(0, 1), e.target.value.slice(1)];
          add(what === 'k' ? { kind: id as MachineKind } : { family: id as FamilyId });
        }}
        className={FIELD}
      >
        <option value="">or a kind, a family</option>
        {MACHINE_KINDS.map((k) => (
          <option key={k} value={`k${k}`}>
            {KIND_WORDS[k]}
          </option>
        ))}
        {FAMILY_IDS.map((f) => (
          <option key={f} value={`f${f}`}>
            {familyName(f)}
          </option>
        ))}
      </select>
    </Chips>
  );
}
