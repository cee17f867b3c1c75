import {
  familyIdOf,
  type Carburettor,
  type CauseId,
  type CheckId,
  type ComplaintId,
} from '@rusty-wren/core/knowledge';
import type { LatelyLow } from '@rusty-wren/core/compression';
import type { LearntHere, Paces } from '@rusty-wren/core/learning';
import type { MachineFacts, MachineKind } from '@rusty-wren/core/machine';
import type { Leaving } from '@rusty-wren/core/account';
import type { Entry, NewEntry, Phase, ProofLeft, Stage, ToMend } from '@rusty-wren/core/log';
import type { SpecFigures } from '@rusty-wren/core/machine';
import type { OfModel } from '@rusty-wren/core/model';
import type { PricedMachine } from '@rusty-wren/core/worth';

export interface Account {
  id: string;
  name: string;
}

export interface Machine {
  id: string;
  kind: MachineKind;
  maker: string;
  model: string;
  serial: string | null;
  displacementCc: number | null;
  /** The maker's figures, where a spec card has them. */
  spec?: SpecFigures;
  /** What other sound machines of the model read in this shop, psi at sea level. */
  shopSqueezePsi?: number[];
  /** What its carburettor is, as somebody saw it last on a machine of the model. */
  carburettor?: Carburettor;
}

/** What the core wants to know of a machine. */
export const factsOf = ({
  kind,
  displacementCc,
  spec,
  shopSqueezePsi,
}: Pick<Machine, 'kind' | 'displacementCc' | 'spec' | 'shopSqueezePsi'>): MachineFacts => ({
  kind,
  ...(displacementCc !== null && { displacementCc }),
  ...(spec && { spec }),
  ...(shopSqueezePsi?.length && { shopSqueezePsi }),
});

/** A machine as a price book looks it up. */
export const pricedOf = (machine: Machine): PricedMachine => ({
  ...factsOf(machine),
  maker: machine.maker,
  model: machine.model,
  ...(machine.carburettor && { family: familyIdOf(machine.carburettor) }),
});

export interface Customer {
  id: string;
  name: string;
  /** Which part of the co-operative's world they belong to. */
  circle: string | null;
  phone: string | null;
}

export interface CustomerWithMachines extends Customer {
  machines: Machine[];
}

/** A model that was ever here. */
export type Model = Pick<Machine, 'maker' | 'model' | 'kind' | 'displacementCc'>;

/** A job without its log. */
export interface Job {
  id: string;
  /** The number on the paper tag. */
  tag: number;
  customer: Customer;
  machine: Machine;
  checkedInAt: string;
  /** ISO date it was promised for. */
  promisedFor: string | null;
}

/** A squeeze measured in this shop: psi as it would read at sea level. */
export interface SqueezeReading {
  machineId: string;
  tag: number;
  psi: number;
  /** Good for its class. */
  sound: boolean;
  notedAt: string;
}

export interface JobWithLog {
  job: Job;
  entries: Entry[];
  /** Squeezes measured on this machine and others of its model, oldest first. */
  squeezes: SqueezeReading[];
  /** How squeezes read here in the last days against before; not there where none was measured. */
  latelyLow?: LatelyLow;
  /** What the shop knows of the model: what opens it, what bites. */
  modelNotes?: OfModel[];
  /** What closed jobs say of machines like it; not there where they do not count. */
  learnt?: LearntHere;
  /** How long things take here, and in whose hands, against the trade; not there where it does not count. */
  paces?: Paces;
  /** Other open jobs of the same owner whose machines are said to drink from the same can. */
  sameCan: { job: Job; entries: Entry[] }[];
}

/** The shop's own order of first checks. Empty: none made yet. */
export interface OwnOrder {
  checks: CheckId[];
}

/** One tag on the rack: the job and what its log comes to now. */
export interface RackTag {
  job: Job;
  stage: Stage;
  waitingFor: string | null;
  stageSince: string | null;
  complaints: ComplaintId[];
  lead: { cause: CauseId; probability: number } | null;
  /** What the job asks for now: as its bench says; null while the engine has not looked at it yet. */
  phase: Phase | null;
  /** What was settled on and put right. */
  mended: ToMend[];
  /** Faults that were found and are there still. */
  standing: CauseId[];
  /** Faults that hurt somebody, in words. */
  safety: string[];
  off: number;
  /** Its carburettor is in pieces. */
  inPieces: boolean;
  /** Who had it in hand last, by account. */
  hands: string | null;
  /** What the plan says of the rest of its diagnosis, bench minutes; null while that is not worked out, or nothing is looked for. */
  toFind: { mean: number; p90: number } | null;
  /** All but a cold start is proved; from when it may be made, ISO 8601, null for now. */
  coldStart: { notBefore: string | null } | null;
  /** What is left of its proof, as far as it is known; null once it is closed. */
  proofLeft: ProofLeft | null;
  entryCount: number;
}

/** Somebody who brings machines, as they are found: how many machines they have, and how many jobs of them are open. */
export interface FoundOwner extends Customer {
  machines: number;
  open: number;
}

/** A machine as it is found, and whose it is. */
export interface FoundMachine extends Machine {
  owner: Customer;
  jobs: number;
}

/** What a few words find. */
export interface Found {
  owners: FoundOwner[];
  machines: FoundMachine[];
  /** The open ones first, then the latest. */
  jobs: RackTag[];
  /** Words that stand nowhere, and what was looked for in their place. */
  instead: { word: string; took: string[] }[];
}

/** What a shop found on machines of a model, closed jobs of it lately. */
export interface ModelRecord {
  /** Over so many jobs. */
  jobs: number;
  /** Causes that were put right or left, with the jobs they were found on, the commonest first. */
  found: { cause: CauseId; jobs: number }[];
  /** The middle one of so many sound squeezes, psi at sea level. */
  squeeze: { psi: number; of: number } | null;
  /** Where each screw stood on so many that went home proved, turns out from the seat: the middle one, and the middle half of them. */
  screws: { screw: 'L' | 'H'; turns: number; from: number; to: number; of: number }[];
  /** Parts that were fitted, the most used first. */
  parts: { name: string; used: number }[];
}

/** How a job left a machine, and when. */
export interface MachineLeft extends Leaving {
  jobId: string;
  tag: number;
  /** When it went home, or was last moved on, ISO 8601. */
  at: string;
}

/** A machine with every job since it first came, the latest first. */
export interface MachineLife {
  machine: Machine;
  owner: Customer;
  jobs: RackTag[];
  squeezes: SqueezeReading[];
  /** How each of those jobs left it, those that say anything of it, the oldest first. */
  left: MachineLeft[];
  /** What this shop found on its model. */
  record: ModelRecord;
}

/** An owner with their machines and the latest jobs. */
export interface OwnerLife {
  owner: Customer;
  machines: (Machine & { jobs: number })[];
  jobs: RackTag[];
}

/** A page of closed jobs, latest first; `next`: after which the next page begins, null where there is none. */
export interface ClosedPage {
  tags: RackTag[];
  next: { since: string; id: string } | null;
}

export interface CheckIn {
  jobId: string;
  customer: { id: string } | { name: string; circle?: string; phone?: string };
  machine:
    | { id: string }
    | { kind: MachineKind; maker: string; model: string; serial?: string; displacementCc?: number };
  promisedFor?: string;
  entries: NewEntry[];
}

/**
 * What changes beside the logs: the drawer with its orders, the day's hours and plan, what the engine makes of open jobs, or what
 * closed ones have taught.
 */
export type Moved = 'parts' | 'day' | 'rack' | 'learnt';

/** What the change stream says: this job's log has grown to this many entries. */
export interface JobChanged {
  jobId: string;
  seq: number;
}
