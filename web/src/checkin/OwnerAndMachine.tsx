import type { CustomerWithMachines, Machine } from '@rusty-wren/contract';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';
import { MachineDrawing } from '../drawn/MachineDrawing';
import { Button } from '../ui/Button';
import { KIND_WORDS } from '../ui/words';
import { matchingOwners, nearOwner, type Draft } from './draft';
import { HereBefore } from './HereBefore';
import { Problem } from '../ui/Problem';

const FIELD = 'min-h-11 w-full rounded-md border-2 border-line bg-card px-3 text-lg aria-invalid:border-rust';
const PICK =
  'flex min-h-11 items-center gap-2 rounded-md border-2 border-line bg-card px-3 font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper';

export type Change = (change: Partial<Draft>) => void;
/** What is wrong with each field, once it was tried to check it in. */
export type Problems = Readonly<Partial<Record<keyof Draft, string>>>;

function Field({
  label,
  value,
  problem,
  onChange,
  list,
}: {
  label: string;
  value: string;
  problem?: string | undefined;
  onChange: (value: string) => void;
  list?: string[];
}): ReactElement {
  return (
    <div>
      <label className="block">
        <span className="font-semibold">{label}</span>
        <input
          value={value}
          onChange={(e) => onChange(e.target.value)}
          autoComplete="off"
          aria-invalid={problem !== undefined}
          list={list && `list-${label}`}
          className={FIELD}
        />
      </label>
      {list && (
        <datalist id={`list-${label}`}>
          {list.map((item) => (
            <option key={item} value={item} />
          ))}
        </datalist>
      )}
      <Problem says={problem} />
    </div>
  );
}

/** Whose it is and what it is: known ones by one tap, new ones written in. */
export function OwnerAndMachine({
  draft,
  change,
  problems,
  owners: customers,
}: {
  draft: Draft;
  change: Change;
  problems: Problems;
  /** Those who may be meant. */
  owners: readonly CustomerWithMachines[];
}): ReactElement {
  const owner = customers.find((c) => c.id === draft.ownerId);
  const offered = owner || draft.ownerIsNew ? [] : matchingOwners(customers, draft.ownerName, 6);
  const near =
    owner || draft.ownerIsNew
      ? null
      : nearOwner(
          draft.ownerName,
          customers.map((c) => c.name),
        );
  const machine = owner?.machines.find((m) => m.id === draft.machineId);
  return (
    <div className="grid gap-3">
      <div>
        <label className="block">
          <span className="font-semibold">Owner</span>
          <input
            autoFocus
            value={draft.ownerName}
            onChange={(e) =>
              change({ ownerName: e.target.value, ownerId: null, ownerIsNew: false, machineId: null })
            }
            autoComplete="off"
            aria-invalid={problems.ownerName !== undefined}
            className={FIELD}
          />
        </label>
        <Problem says={problems.ownerName} />
      </div>
      {offered.length > 0 && (
        <div className="flex flex-wrap gap-1" role="group" aria-label="Known owners">
          {offered.map((c) => (
            <button
              key={c.id}
              type="button"
              className={PICK}
              onClick={() => change({ ownerId: c.id, ownerName: c.name, ownerIsNew: false })}
            >
              {c.name}
            </button>
          ))}
          {near && (
            <Button look="quiet" onClick={() => change({ ownerIsNew: true })}>
              Somebody else
            </Button>
          )}
        </div>
      )}
      {owner && owner.machines.length > 0 && <KnownMachines owner={owner} draft={draft} change={change} />}
      {machine ? (
        <HereBefore machine={machine} complaints={draft.complaints} />
      ) : (
        <NewMachine
          draft={draft}
          change={change}
          problems={problems}
          makers={[...new Set(customers.flatMap((c) => c.machines.map((m) => m.maker)))]}
        />
      )}
    </div>
  );
}

const KnownMachines = ({
  owner,
  draft,
  change,
}: {
  owner: CustomerWithMachines;
  draft: Draft;
  change: Change;
}): ReactElement => (
  <div className="flex flex-wrap gap-1" role="group" aria-label="Known machines">
    {owner.machines.map((m: Machine) => (
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
);

function NewMachine({
  draft,
  change,
  problems,
  makers,
}: {
  draft: Draft;
  change: Change;
  problems: Problems;
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
      <Problem says={problems.kind} />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Maker"
          value={draft.maker}
          problem={problems.maker}
          onChange={(maker) => change({ maker })}
          list={makers}
        />
        <Field
          label="Model"
          value={draft.model}
          problem={problems.model}
          onChange={(model) => change({ model })}
        />
        <Field label="Serial" value={draft.serial} onChange={(serial) => change({ serial })} />
        <Field
          label="Displacement, cc"
          value={draft.cc}
          problem={problems.cc}
          onChange={(cc) => change({ cc })}
        />
      </div>
    </>
  );
}
