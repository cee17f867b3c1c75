import {
  usesLeft,
  usesWords,
  type Block,
  type GivenPaper,
  type Picture,
  type Uses,
} from '@rusty-wren/core/log';
import { DID_IT_AGAIN, PLAIN_COMPLAINT } from '@rusty-wren/core/paper';
import { html } from 'hono/html';
import { blockHtml, shell, type Html } from './page';

/** How it went, as far as its owner has said, and whether they can still say. */
export type SaidSoFar = Pick<Picture, 'atOwners' | 'complaints' | 'stage'>;

const heard = ({ uses, again }: Picture['atOwners'][number]): Html =>
  html`<p class="told">
    After ${usesWords(uses)}:
    ${again ? 'it did it again. The bench has it and will ring you.' : 'it runs right. Thank you.'}
  </p>`;

/** One question: after so many uses, did it do it again? Answered by a tap. */
const asks = (uses: Uses, { complaints }: SaidSoFar, token: string): Html =>
  html`<form method="post" action="/owner/${token}" class="ask">
    <input type="hidden" name="uses" value="${uses}" />
    <h2>After ${usesWords(uses)}</h2>
    <details>
      <summary>Say more</summary>
      <label class="field">What you saw<textarea name="words" rows="2" maxlength="500"></textarea></label>
    </details>
    <button name="again" value="">No, it runs right</button>
    ${complaints.map(
      ({ complaint }) =>
        html`<button class="plain" name="again" value="${complaint}">
          Yes: ${PLAIN_COMPLAINT[complaint].replace(/\.$/, '').toLowerCase()}
        </button>`,
    )}
  </form>`;

/** What the card asks on paper is asked by the page itself. */
const isAsked = (block: Block): boolean => block.is === 'text' && block.text.startsWith(DID_IT_AGAIN);

/** The page of a card that went home: did it do it again, after the first use, after five, after twenty; and the card itself. */
export function cardPage(
  { title, blocks }: GivenPaper,
  said: SaidSoFar,
  { token, problem = null }: { token: string; problem?: string | null },
): Html {
  const { atOwners, complaints, stage } = said;
  const next = stage === 'closed' && complaints.length > 0 ? usesLeft(said) : [];
  const at = { token, picked: '' };
  return shell(
    title,
    html`<h1>${next.length > 0 ? DID_IT_AGAIN : title}</h1>
      ${problem ? html`<p class="told" role="alert">${problem}</p>` : ''} ${atOwners.map(heard)}
      ${next.map((uses) => asks(uses, said, token))}
      ${blocks.filter((b) => !(next.length > 0 && isAsked(b))).map((b) => blockHtml(b, at))}`,
  );
}
