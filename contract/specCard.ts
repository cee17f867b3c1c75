import { MODEL_PLACES, MOST_SAID, type ModelNote } from '@rusty-wren/core/model';
import {
  SPEC_PAIRS,
  SPEC_SINGLES,
  SPEC_TEXTS,
  type SpecField,
  type SpecFigures,
  type SpecLine,
  type SpecPair,
  type SpecSingle,
} from '@rusty-wren/core/machine';
import Joi from 'joi';
import { uuid } from './wire';

/** A model's card: the maker's figures as far as they are known, and where they were read. */
export type SpecCard = SpecLine;

const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);

/** How a figure is taken: as a number, or as it is typed into a form, where nothing may be typed and fields have names. */
type Taken = 'figure' | 'typed';

const nameOf = ({ label, unit }: { label: string; unit: string }): string => `${label}, ${unit}`;

function single(field: SpecField<SpecSingle>, taken: Taken): Joi.Schema {
  const figure = Joi.number().min(field.min).max(field.max);
  return taken === 'figure' ? figure : figure.empty('').label(nameOf(field));
}

/** Low to high, in the order written. */
function band(field: SpecField<SpecPair>, taken: Taken): Joi.Schema {
  const edge = Joi.number().min(field.min).max(field.max);
  const edges = (one: Joi.Schema): Joi.ArraySchema =>
    Joi.array()
      .ordered(one, one)
      .length(2)
      .custom((value: [number, number], helpers) =>
        value[0] <= value[1] ? value : helpers.message({ custom: '{{#label}} must run from low to high' }),
      );
  if (taken === 'figure') return edges(edge.required());
  const blank = Joi.array().ordered(Joi.valid(''), Joi.valid('')).length(2);
  const typed = edge.empty('').required().messages({ 'any.required': '{{#label}}: give both its edges' });
  return edges(typed.label(nameOf(field)))
    .empty(blank)
    .label(nameOf(field));
}

const words = ({ label, most }: (typeof SPEC_TEXTS)[number], taken: Taken): Joi.Schema =>
  taken === 'figure' ? text(most) : text(most).empty('').label(label);

const figures = (taken: Taken): Joi.ObjectSchema =>
  Joi.object(
    Object.fromEntries([
      ...SPEC_SINGLES.map((field) => [field.name, single(field, taken)] as const),
      ...SPEC_PAIRS.map((field) => [field.name, band(field, taken)] as const),
      ...SPEC_TEXTS.map((field) => [field.name, words(field, taken)] as const),
    ]),
  ).custom((value: SpecFigures, helpers) =>
    value.idle !== undefined && value.clutch !== undefined && value.idle >= value.clutch
      ? helpers.message({ custom: '{{#label}}: idle must be below the clutch speed' })
      : value,
  );

/** The figures of a card; bounds no machine of this trade passes. */
export const specFiguresSchema = figures('figure');

/** A card as it is typed on its page: the same figures, empty where nothing is typed. */
export const specFormSchema = Joi.object({
  figures: figures('typed').required().label('Figures'),
  source: text(300).empty('').label('Where it was read'),
});

export const specCardsSchema = Joi.object({
  cards: Joi.array()
    .items(
      Joi.object({
        maker: text(60).required(),
        model: text(60).required(),
        figures: specFiguresSchema.required(),
        source: text(300),
      }),
    )
    .min(1)
    .max(2000)
    .required(),
}).required();

/** Notes on models, as they are put on the books: all are taken in, or none; what is known already stays as it is. */
export interface ModelNotesIn {
  notes: ModelNote[];
}
export const modelNotesSchema = Joi.object({
  notes: Joi.array()
    .items(
      Joi.object({
        id: uuid.required(),
        maker: text(60).required(),
        model: text(60).required(),
        at: Joi.string()
          .valid(...MODEL_PLACES)
          .required(),
        says: text(MOST_SAID).required(),
      }),
    )
    .min(1)
    .max(2000)
    .required(),
}).required();
