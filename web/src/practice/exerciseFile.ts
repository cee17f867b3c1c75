import { readingSchema } from '@rusty-wren/contract';
import { CAUSE_IDS, CHECK_IDS, PART_IDS, REMEDY_IDS, SURENESS } from '@rusty-wren/core/knowledge';
import { codeOf, readCode, READY_IDS, type Exercise, type Move } from '@rusty-wren/core/practice';
import Joi from 'joi';

/** An exercise and how somebody worked it, as it goes from hand to hand. */
export interface ExerciseFile {
  format: 'rusty-wren-practice/1';
  exercise: string;
  moves: readonly Move[];
}

const MOST_MOVES = 500;
const MOST_KPA = 400;
const check = Joi.string()
  .valid(...CHECK_IDS)
  .required();

const move = Joi.alternatives().conditional('.do', {
  switch: [
    {
      is: 'look',
      then: Joi.object({
        do: Joi.any(),
        check,
        kpa: Joi.number().min(0).max(MOST_KPA),
        ready: Joi.array()
          .items(Joi.string().valid(...READY_IDS))
          .unique(),
      }),
    },
    {
      is: 'note',
      then: Joi.object({
        do: Joi.any(),
        check,
        noted: Joi.object({
          result: Joi.string().max(60),
          reading: readingSchema,
          sureness: Joi.string()
            .valid(...SURENESS)
            .required(),
        })
          .xor('result', 'reading')
          .required(),
      }),
    },
    {
      is: Joi.valid('off', 'on'),
      then: Joi.object({
        do: Joi.any(),
        part: Joi.string()
          .valid(...PART_IDS)
          .required(),
      }),
    },
    {
      is: 'mend',
      then: Joi.object({
        do: Joi.any(),
        cause: Joi.string()
          .valid(...CAUSE_IDS)
          .required(),
        remedy: Joi.string().valid(...REMEDY_IDS),
      }),
    },
    { is: Joi.valid('take-back', 'make-safe', 'ask', 'hand-back'), then: Joi.object({ do: Joi.any() }) },
  ],
  otherwise: Joi.forbidden(),
});

const schema = Joi.object({
  format: Joi.string().valid('rusty-wren-practice/1').required(),
  exercise: Joi.string().max(80).required(),
  moves: Joi.array().items(move).max(MOST_MOVES).required(),
}).label('file');

/** An exercise as a file to hand on. */
export const exerciseFile = (exercise: Exercise, moves: readonly Move[]): string =>
  JSON.stringify({
    format: 'rusty-wren-practice/1',
    exercise: codeOf(exercise),
    moves,
  } satisfies ExerciseFile);

/** The exercise in a file, or why it is none, in a sentence. */
export function readExerciseFile(
  text: string,
): { exercise: Exercise; moves: readonly Move[] } | { refused: string } {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return { refused: 'The file is not an exercise: it is no JSON.' };
  }
  const { error } = schema.validate(parsed);
  if (error) return { refused: `The file is not an exercise: ${error.message}.` };
  const { exercise: code, moves } = parsed as ExerciseFile;
  const read = readCode(code);
  return 'refused' in read ? read : { exercise: read.exercise, moves };
}
