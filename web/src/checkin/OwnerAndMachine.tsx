import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';
import { useCustomersQuery } from '../api/api';
import { MachineDrawing } from '../drawn/MachineDrawing';
import { KIND_WORDS } from '../ui/words';
import { matchingOwners, type Draft } from './draft';

const FIELD = 'min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg';
const PICK =
  'flex min-h-11 items-center gap-2 rounded-md border-2 border-line bg-card px-3 font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper';

type Change = (change: Partial<Draft>) => void;

function Field({
  label,
  value,
  onChange,
  list,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  list?: string[];
}): ReactElement {
  return (
    <label className="block">
      <span className="font-semibold">{label}</span>
      <input
        value={value}
        onChange={(e) => onChange(e.target.value)}
        maxLength={60}
        autoComplete="off"
        list={list && `list-${label}`}
        className={FIELD}
      />
      {list && (
        <datalist id={`list-${label}`}>
          {list.map((item) => (
            <option key={item} value={item} />
          ))}
        </datalist>
      )}
    </label>
  );
}

/** Whose it is and what it is: known ones by one tap, new ones written in. */
export function OwnerAndMachine({ draft, change }: { draft: Draft; change: Change }): ReactElement {
  const { data: customers = [] } = useCustomersQuery();
  const owner = customers.find((c) => c.id === draft.ownerId);
  const offered = owner ? [] : matchingOwners(customers, draft.ownerName, 6);
  return (
    <div className="grid gap-3">
      <label className="block">
        <span className="font-semibold">Owner</span>
        <input
          autoFocus
          value={draft.ownerName}
          onChange={(e) => change({ ownerName: e.target.value, ownerId: null, machineId: null })}
          maxLength={120}
          autoComplete="off"
          className={FIELD}
        />
      </label>
      {offered.length > 0 && (
        <div className="flex flex-wrap gap-1" role="group" aria-label="Known owners">
          {offered.map((c) => (
            <button
              key={c.id}
              type="button"
              className={PICK}
              onClick={() => change({ ownerId: c.id, ownerName: c.name })}
            >
              {c.name}
            </button>
          ))}
        </div>
      )}
      {owner && owner.machines.length > 0 && (
        <div className="flex flex-wrap gap-1" role="group" aria-label="Known machines">
          {owner.machines.map((m) => (
            <button
              key={m.id}
              type="button"
              aria-pressed={draft.machineId === m.id}
              className={PICK}
              onClick={() => change({ machineId: draft.machineId === m.id ? null : m.id })}
            >
              <MachineDrawing kind={m.kind} className="h-6 w-14" /> {m.maker} {m.model}
            </button>
          ))}
        </div>
      )}
      {!draft.machineId && (
        <NewMachine
          draft={draft}
          change={change}
          makers={[...new Set(customers.flatMap((c) => c.machines.map((m) => m.maker)))]}
        />
      )}
    </div>
  );
}

function NewMachine({
  draft,
  change,
  makers,
}: {
  draft: Draft;
  change: Change;
  makers: string[];
}): ReactElement {
  return (
    <>
      <div className="grid grid-cols-3 gap-1" role="group" aria-label="Kind of machine">
        {MACHINE_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={draft.kind === kind}
            onClick={() => change({ kind })}
            className="rounded-md border-2 border-line bg-card px-2 py-1.5 text-left leading-tight font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
          >
            <MachineDrawing kind={kind} className="h-6 w-full" />
            {KIND_WORDS[kind]}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Maker" value={draft.maker} onChange={(maker) => change({ maker })} list={makers} />
        <Field label="Model" value={draft.model} onChange={(model) => change({ model })} />
        <Field label="Serial" value={draft.serial} onChange={(serial) => change({ serial })} />
        <Field label="Displacement, cc" value={draft.cc} onChange={(cc) => change({ cc })} />
      </div>
    </>
  );
}
