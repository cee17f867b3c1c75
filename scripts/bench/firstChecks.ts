import { diagnose } from '@rusty-wren/core/diagnosis';
import { COMPLAINT_IDS, type CheckId, type ComplaintId } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS, type MachineKind } from '@rusty-wren/core/machine';

const SHOWN = 3;

/** The first checks that are proposed on a machine that nothing is known of but its complaint, best first. */
const firstChecks = (kind: MachineKind, complaint: ComplaintId): CheckId[] =>
  diagnose({
    machine: { kind },
    history: {},
    evidence: [{ ref: 'c', kind: 'complaint', complaint }],
    off: [],
  })
    .next.slice(0, SHOWN)
    .map((n) => n.check);

/** Complaint by first three checks for each kind of machine, to be read aloud: kinds that are told the same share a line. */
export function firstChecksTable(): string {
  const lines = COMPLAINT_IDS.flatMap((complaint) => {
    const kinds = new Map<string, MachineKind[]>();
    for (const kind of MACHINE_KINDS) {
      const said = firstChecks(kind, complaint).join(', ') || '(nothing)';
      kinds.set(said, [...(kinds.get(said) ?? []), kind]);
    }
    return [
      complaint,
      ...[...kinds].map(
        ([said, of]) => `  ${said}    [${of.length === MACHINE_KINDS.length ? 'all' : of.join(', ')}]`,
      ),
    ];
  });
  return lines.join('\n');
}
