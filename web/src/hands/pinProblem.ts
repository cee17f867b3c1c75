import { secretProblem } from '@rusty-wren/contract';

/** Why a PIN or password is none, as a sentence; null where it is one. */
export function pinProblem(secret: string): string | null {
  const wrong = secretProblem(secret);
  return wrong && `The PIN or password ${wrong}`;
}
