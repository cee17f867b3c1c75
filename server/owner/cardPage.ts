import { usesWords, USES, type Picture, type GivenPaper } from '@rusty-wren/core/log';
import { PLAIN_COMPLAINT } from '@rusty-wren/core/paper';
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
const asks = (uses: (typeof USES)[number], { complaints }: SaidSoFar, token: string): Html =>
  html`<form method="post" action="/owner/${token}" class="choice">
    <input type="hidden" name="uses" value="${uses}" />
    <h2>After ${usesWords(uses)}</h2>
    <label class="field"
      >What you saw, if anything<textarea name="words" rows="2" maxlength="500"></textarea>
    </label>
    <button name="again" value="">No, it runs right</button>
    ${complaints.map(
      ({ complaint }) =>
        html`<button class="plain" name="again" value="${complaint}">
          Yes: ${PLAIN_COMPLAINT[complaint].replace(/\.$/, '').toLowerCase()}
        </button>`,
    )}
  </form>`;

/** The page of a card that went home: did it do it again, after the first use, after five, after twenty; and the card itself. */
export function cardPage(
  { title, blocks }: GivenPaper,
  said: SaidSoFar,
  { token, problem = null }: { token: string; problem?: string | null },
): Html {
  const { atOwners, complaints, stage } = said;
  const far = Math.max(0, ...atOwners.map((s) => s.uses));
  const open = stage === 'closed' && complaints.length > 0 && !atOwners.some((s) => s.again);
  const next = open ? USES.filter((n) => n > far) : [];
  const at = { token, picked: '' };
  return shell(
    title,
    html`<h1>${next.length > 0 ? 'Did it do it again?' : title}</h1>
      ${problem ? html`<p class="told" role="alert">${problem}</p>` : ''} ${atOwners.map(heard)}
      ${next.map((uses) => asks(uses, said, token))} ${blocks.map((b) => blockHtml(b, at))}`,
  );
}
