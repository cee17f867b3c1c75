/** Past so many pulls of the cord, stop and think: a plug is wet by then, and a start proves little. */
export const MANY_PULLS = 10;
