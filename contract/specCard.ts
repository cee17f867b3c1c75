import type { SpecFigures, SpecLine } from '@rusty-wren/core/machine';
import Joi from 'joi';

/** A model's card: the maker's figures as far as they are known, and where they were read. */
export type SpecCard = SpecLine;

const text = (max: number): Joi.StringSchema => Joi.string().trim().min(1).max(max);

/** Low to high, in the order written. */
const band = (min: number, max: number): Joi.ArraySchema =>
  Joi.array()
    .ordered(Joi.number().min(min).max(max).required(), Joi.number().min(min).max(max).required())
    .length(2)
    .custom((value: [number, number], helpers) =>
      value[0] <= value[1] ? value : helpers.message({ custom: '{{#label}} must run from low to high' }),
    );

/** The figures of a card; bounds no machine of this trade passes. */
export const specFiguresSchema = Joi.object({
  idle: Joi.number().min(1000).max(6000),
  clutch: Joi.number().min(1500).max(8000),
  full: band(3000, 18_000),
  squeezePsi: band(40, 250),
  gapMm: band(0.05, 2),
  plugGapMm: band(0.2, 1.5),
  leverMm: Joi.number().min(-5).max(5),
  baseL: Joi.number().min(0).max(6),
  baseH: Joi.number().min(0).max(6),
  mix: Joi.number().min(10).max(100),
  ratio: Joi.number().min(3).max(14),
}).custom((value: SpecFigures, helpers) =>
  value.idle !== undefined && value.clutch !== undefined && value.idle >= value.clutch
    ? helpers.message({ custom: '{{#label}}: idle must be below the clutch speed' })
    : value,
);

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
