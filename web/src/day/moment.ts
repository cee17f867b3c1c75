const MINUTE_MS = 60_000;

/** A minute of the plan as a moment, ms; `zero`: the plan's, ms. */
export const momentOf = (minute: number, zero: number): number => zero + minute * MINUTE_MS;
/** A moment, ms, as a minute of the plan. */
export const minuteOf = (moment: number, zero: number): number => (moment - zero) / MINUTE_MS;
