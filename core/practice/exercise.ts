import { seedOf } from '../engine';
import { CAUSE_IDS, causeOf, type CauseId, type EnginePart } from '../knowledge';
import { MACHINE_KINDS, type MachineKind } from '../machine';

/** Where the hidden fault of an exercise sits. */
export const THEMES = ['any', 'fuel', 'carburettor', 'spark', 'squeeze', 'trap'] as const;
export type ThemeId = (typeof THEMES)[number];

/** How hard: one plain fault; one and what it brought about; two at least; as they come, with signs that mislead. */
export const LEVELS = [1, 2, 3, 4] as const;
export type Level = (typeof LEVELS)[number];

export const GROUPS = ['any', 'saw', 'trimmer', 'blower'] as const;
export type GroupId = (typeof GROUPS)[number];

/** A hidden machine by its number: the same exercise is the same machine everywhere. */
export interface Exercise {
  /** A theme, or one cause that is to be met again. */
  theme: ThemeId | CauseId;
  level: Level;
  group: GroupId;
  /** 1 to `MOST_NUMBER`. */
  number: number;
}

export const MOST_NUMBER = 999_999;

const SITS: Readonly<Record<Exclude<ThemeId, 'any' | 'trap'>, readonly EnginePart[]>> = {
  fuel: ['fuel', 'tank', 'filter', 'line', 'primer'],
  carburettor: ['pump', 'metering', 'circuits', 'air', 'intake'],
  spark: ['plug', 'coil', 'stop', 'flywheel'],
  squeeze: ['cylinder', 'case', 'exhaust'],
};

const isTheme = (theme: string): theme is ThemeId => (THEMES as readonly string[]).includes(theme);

/** A cause that is met again stands in a code under a name that gives nothing away. */
const AGAIN = 'again';
const againName = (cause: CauseId): string => `${AGAIN}${seedOf(cause).toString(36)}`;
const BY_AGAIN_NAME: ReadonlyMap<string, CauseId> = new Map(CAUSE_IDS.map((id) => [againName(id), id]));

/** Whether a fault is what an exercise is about. */
export function isAbout({ theme }: Pick<Exercise, 'theme'>, cause: CauseId): boolean {
  if (!isTheme(theme)) return theme === cause;
  return theme === 'any' || theme === 'trap' || SITS[theme].includes(causeOf(cause).sits);
}

const KINDS: Readonly<Record<Exclude<GroupId, 'any'>, readonly MachineKind[]>> = {
  saw: ['chainsaw', 'pole-saw'],
  trimmer: ['trimmer', 'edger', 'brush-cutter', 'hedge-trimmer', 'power-head'],
  blower: ['blower', 'backpack-blower'],
};

/** The kinds of machine in a group. */
export const kindsOf = (group: GroupId): readonly MachineKind[] =>
  group === 'any' ? MACHINE_KINDS : KINDS[group];

/**
 * An exercise as one word, to be said, written down and found again.
 *
 * @example
 * codeOf({ theme: 'fuel', level: 2, group: 'saw', number: 4711 }); // 'fuel-2-saw-4711'
 */
export const codeOf = ({ theme, level, group, number }: Exercise): string =>
  [isTheme(theme) ? theme : againName(theme), level, group, number].join('-');

/** The exercise of a code, or why it is none, in a sentence. */
export function readCode(code: string): { exercise: Exercise } | { refused: string } {
  const said = code.trim().toLowerCase().split('-');
  const [level, group, number] = said.slice(-3);
  const theme = said.slice(0, -3).join('-');
  const found = {
    theme: isTheme(theme) ? theme : (BY_AGAIN_NAME.get(theme) ?? null),
    level: LEVELS.find((l) => String(l) === level),
    group: GROUPS.find((g) => g === group),
    number: /^[1-9]\d{0,5}$/.test(number ?? '') ? Number(number) : null,
  };
  if (!found.theme) return { refused: `The exercise “${code}” begins with no theme: ${THEMES.join(', ')}.` };
  if (!found.level) return { refused: `The exercise “${code}” has no level from 1 to 4 after its theme.` };
  if (!found.group)
    return { refused: `The exercise “${code}” names no group of machines: ${GROUPS.join(', ')}.` };
  if (!found.number)
    return { refused: `The exercise “${code}” does not end with a number from 1 to ${MOST_NUMBER}.` };
  return {
    exercise: { theme: found.theme, level: found.level, group: found.group, number: found.number },
  };
}
