import { linesOf, type Block, type Decision, type GivenPaper, type Said } from '@rusty-wren/core/log';
import { PLAIN_CHOICE } from '@rusty-wren/core/paper';
import { html, raw } from 'hono/html';
import { styleIn } from '../http/style';

export type Html = ReturnType<typeof html>;

/** Plain type, large, light or dark as the phone is; nothing is fetched for it. */
export const OWNER_STYLE = styleIn(`
:root{color-scheme:light dark;--paper:#f1ebdf;--ink:#241f1a;--soft:#615749;--line:#8d8478;--rust:#a5401a;--on-rust:#fffaf2}
@media(prefers-color-scheme:dark){:root{--paper:#181512;--ink:#f2e9db;--soft:#bbae9c;--line:#6f675c;--rust:#f2905c;--on-rust:#22130a}}
body{margin:0 auto;max-width:40rem;padding:1rem 1.1rem 3rem;font:1.15rem/1.45 system-ui,sans-serif;background:var(--paper);color:var(--ink)}
h1{font-size:1.5rem;line-height:1.2}h2{font-size:1.25rem;margin:1.4rem 0 .3rem}ul{margin:.3rem 0;padding-left:1.2rem}
figure{margin:1rem 0}img{max-width:100%;height:auto;border-radius:.4rem}figcaption,.soft{color:var(--soft)}
fieldset{border:0;margin:0;padding:0}.choice{border-top:.3rem solid var(--line);margin-top:1.2rem;padding-top:.5rem}
.choice label{display:flex;gap:.7rem;align-items:center;min-height:2.8rem;font-size:1.25rem;font-weight:700}
input[type=radio]{width:1.5rem;height:1.5rem;flex:none;accent-color:var(--rust)}
.field{display:block;margin-top:1rem;font-weight:700}
.field input,.field textarea{display:block;box-sizing:border-box;width:100%;min-height:3rem;margin-top:.3rem;padding:.5rem;font:inherit;color:inherit;background:transparent;border:2px solid var(--line);border-radius:.4rem}
button{margin-top:1.4rem;min-height:3.4rem;padding:0 2rem;border:0;border-radius:.4rem;background:var(--rust);color:var(--on-rust);font:inherit;font-weight:700}
summary{min-height:2.8rem;line-height:2.8rem;color:var(--soft)}.ask{border-top:.3rem solid var(--line);margin-top:1.2rem}.ask button{margin-top:.7rem}
button.plain{background:transparent;color:inherit;border:2px solid var(--line);text-align:left;padding:.4rem 1rem}
form button{display:block;width:100%;max-width:26rem}
.told{border-left:.5rem solid var(--rust);padding-left:.8rem;font-weight:700}`);

/** A page around a body. */
export const shell = (title: string, body: Html): Html =>
  html`<!doctype html>
    <html lang="en-GB">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex, nofollow" />
        <title>${title}</title>
        ${OWNER_STYLE.element}
      </head>
      <body>
        <main>${body}</main>
      </body>
    </html>`;

const list = (items: readonly Said[]): Html =>
  html`<ul>
    ${items.map((i) => html`<li>${i.text}</li>`)}
  </ul>`;

/** A block of a given paper; choices are picked, not read only. */
export function blockHtml(block: Block, at: { token: string; picked: string }): Html {
  switch (block.is) {
    case 'heading':
      return html`<h2>${block.text}</h2>`;
    case 'text':
      return html`<p>${block.text}</p>`;
    case 'list':
      return list(block.items);
    case 'choice':
      return html`<div class="choice">
        <label
          ><input
            type="radio"
            name="choice"
            value="${block.choice}"
            required
            ${block.choice === at.picked ? raw('checked') : ''}
          />
          <span>${block.name}<br />${block.price}, ${block.days}</span></label
        >
        ${list(block.items)}
      </div>`;
    case 'photo': {
      const says = linesOf(block).join('. ');
      return html`<figure>
        <img
          src="/owner/${at.token}/photos/${block.hash}"
          alt="${says || 'Photo'}"
          width="${block.width}"
          height="${block.height}"
        />${says ? html`<figcaption>${says}</figcaption>` : ''}
      </figure>`;
    }
    // A line for a name and codes are for paper.
    case 'sign':
    case 'code':
    case 'large':
      return html``;
  }
}

/** What an owner has typed so far, when it could not be taken. */
export interface Typed {
  choice: string;
  name: string;
  words: string;
}

/** The page of one report: what was found, the choices, and a name under the one that is taken. */
export function reportPage(
  { title, blocks }: GivenPaper,
  {
    token,
    problem = null,
    typed = { choice: '', name: '', words: '' },
  }: { token: string; problem?: string | null; typed?: Typed },
): Html {
  const first = blocks.findIndex((b) => b.is === 'choice');
  const last = blocks.findLastIndex((b) => b.is === 'choice');
  const at = { token, picked: typed.choice };
  const some = (from: number, to: number): Html[] => blocks.slice(from, to).map((b) => blockHtml(b, at));
  return shell(
    title,
    html`<h1>${title}</h1>
      ${problem ? html`<p class="told" role="alert">${problem}</p>` : ''}
      ${some(0, first < 0 ? blocks.length : first)}
      ${
        first < 0
          ? ''
          : html`<form method="post" action="/owner/${token}">
                <fieldset>
                  <legend class="soft">Which shall it be?</legend>
                  ${some(first, last + 1)}
                </fieldset>
                <label class="field"
                  >Your name<input
                    name="name"
                    required
                    maxlength="120"
                    autocomplete="name"
                    value="${typed.name}"
                /></label>
                <label class="field"
                  >Anything else<textarea name="words" rows="3" maxlength="500">${typed.words}</textarea>
                </label>
                <button>That one</button>
              </form>
              ${some(last + 1, blocks.length)}`
      }`,
  );
}

/** What was taken, with its price as the report has it. */
function takenWords({ blocks }: GivenPaper, { by, choice }: Decision): string {
  const block = blocks.find((b) => b.is === 'choice' && b.choice === choice);
  const price = block?.is === 'choice' && block.upTo !== undefined ? `, ${block.price}` : '';
  return `${by} took: ${PLAIN_CHOICE[choice].toLowerCase()}${price}.`;
}

/** What the owner took, once they have. */
export const answeredPage = (paper: GivenPaper, decision: Decision | null): Html =>
  shell(
    paper.title,
    html`<h1>Thank you</h1>
      <p class="told">${decision ? takenWords(paper, decision) : 'Your answer is with the bench.'}</p>
      <p>The bench has it. To change it, ring the shop.</p>`,
  );

/** There is nothing here, or not any more: which of both is not told. */
export const gonePage = (): Html =>
  shell(
    'Not here',
    html`<h1>There is nothing here</h1>
      <p>The page is over or was withdrawn. Ask the shop.</p>`,
  );
