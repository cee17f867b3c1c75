import { describe, expect, it } from 'vitest';
import { MACHINE_KINDS } from '../machine';
import { CAUSE_IDS, causeOf, CHECK_IDS, checkOf, onTool } from './index';

describe('the words of the tool', () => {
  it('follow the kind of machine, and name any of them where none is in hand', () => {
    expect(causeOf('chain-dull', 'hedge-trimmer').name).toBe('Blunt blades');
    expect(causeOf('chain-dull', 'trimmer').remedy).toBe('Replace the line head');
    expect(causeOf('chain-dull').name).toBe('Cutting edge dull: chain, blade or head');
    expect(checkOf('chain-look', 'edger').name).toBe('Look at the blade');
    for (const kind of ['blower', 'backpack-blower', 'trimmer', 'hedge-trimmer', 'edger'] as const)
      expect(
        `${checkOf('safety-walkround', kind).how} ${checkOf('safety-walkround', kind).caution}`,
      ).not.toMatch(/chain|bar\b/i);
  });
  it('leave no gap in any text of the trade, on any kind', () => {
    for (const kind of [undefined, ...MACHINE_KINDS])
      for (const def of [
        ...CAUSE_IDS.map((id) => causeOf(id, kind)),
        ...CHECK_IDS.map((id) => checkOf(id, kind)),
      ])
        for (const text of Object.values(def)) if (typeof text === 'string') expect(text).not.toMatch(/[{}]/);
  });
  it('an unknown word stays as it is, and an unknown id is refused', () => {
    expect(onTool('{nothing} on the {edge}', 'chainsaw')).toBe('{nothing} on the chain');
    expect(() => causeOf('no-such' as never)).toThrow('no such cause: no-such');
    expect(() => checkOf('no-such' as never, 'edger')).toThrow('no such check: no-such');
  });
});
