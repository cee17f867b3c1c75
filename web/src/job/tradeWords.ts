import {
  causeOf,
  checkOf,
  type CauseDef,
  type CauseId,
  type CheckDef,
  type CheckId,
} from '@rusty-wren/core/knowledge';
import type { MachineKind } from '@rusty-wren/core/machine';
import { createContext, useContext } from 'react';

/** The kind of machine in hand, whose words are used; none where any may be meant. */
export const KindInHand = createContext<MachineKind | undefined>(undefined);

export const useKindInHand = (): MachineKind | undefined => useContext(KindInHand);

/** Causes and checks in the words of the machine in hand: "Dull chain" on a saw, "Blunt blades" on a hedge trimmer. */
export function useTradeWords(): { causeOf: (id: CauseId) => CauseDef; checkOf: (id: CheckId) => CheckDef } {
  const kind = useKindInHand();
  return { causeOf: (id) => causeOf(id, kind), checkOf: (id) => checkOf(id, kind) };
}
