import { hiddenOf, workBy, workedBy } from '@rusty-wren/core/practice';
import { describe, expect, it } from 'vitest';
import { exerciseFile, readExerciseFile } from './exerciseFile';

const EXERCISE = { theme: 'spark', level: 2, group: 'saw', number: 31 } as const;

describe('the file of an exercise', () => {
  it('comes back as the exercise and the path it was', () => {
    const hidden = hiddenOf(EXERCISE);
    const moves = workBy('plan', hidden).steps.map((s) => s.move);
    const read = readExerciseFile(exerciseFile(EXERCISE, moves));
    if ('refused' in read) throw new Error(read.refused);
    expect(read.exercise).toEqual(EXERCISE);
    expect(workedBy(hidden, read.moves)).toEqual(workedBy(hidden, moves));
  });

  const file = (change: object): string =>
    JSON.stringify({ format: 'rusty-wren-practice/1', exercise: 'spark-2-saw-31', moves: [], ...change });

  it.each([
    ['not json', 'no JSON'],
    [file({ format: 'rusty-wren-case/1' }), 'format'],
    [file({ exercise: 'spark-9-saw-31' }), 'no level'],
    [file({ moves: [{ do: 'dance' }] }), 'moves[0]'],
    [file({ moves: [{ do: 'look', check: 'tea-leaves' }] }), 'moves[0].check'],
    [file({ moves: [{ do: 'look', check: 'plug-look', kpa: -1 }] }), 'moves[0].kpa'],
    [file({ moves: [{ do: 'look', check: 'plug-look', ready: ['coffee'] }] }), 'moves[0].ready[0]'],
    [file({ moves: [{ do: 'mend' }] }), 'moves[0].cause'],
    [file({ moves: [{ do: 'note', check: 'plug-look', noted: { sureness: 'sure' } }] }), 'moves[0].noted'],
    [file({ moves: Array.from({ length: 501 }, () => ({ do: 'ask' })) }), 'moves'],
    [file({ odds: {} }), 'odds'],
  ])('%# is refused in a sentence that names what is wrong', (text, names) => {
    const read = readExerciseFile(text);
    expect('refused' in read && read.refused).toContain(names);
    expect('refused' in read && read.refused.endsWith('.')).toBe(true);
  });
});
