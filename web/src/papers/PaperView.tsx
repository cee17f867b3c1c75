import { linesOf, type Block, type PaperKind, type Said } from '@rusty-wren/core/log';
import { QRCodeSVG } from 'qrcode.react';
import { Fragment, useState, type ReactElement } from 'react';
import { usePhoto } from '../photos/photoUrl';

/** How wide each paper is on the screen, by what it is printed on. */
const WIDTHS: Readonly<Record<PaperKind, string>> = {
  report: 'max-w-[44rem]',
  'work-done': 'max-w-[44rem]',
  card: 'max-w-[30rem]',
  tag: 'max-w-[20rem]',
};

/** A paper as it is read: the same blocks as on its PDF. With `onChange` each sentence can be written otherwise. */
export function PaperView({
  paper,
  title,
  blocks,
  onChange,
}: {
  paper: PaperKind;
  title: string;
  blocks: readonly Block[];
  onChange?: ((before: string, now: string) => void) | undefined;
}): ReactElement {
  return (
    <article
      aria-label={title}
      className={`w-full ${WIDTHS[paper]} rounded-md border-2 border-line bg-card px-6 py-5 text-lg leading-snug print:max-w-none print:border-0 print:p-0`}
    >
      {paper !== 'tag' && <h2 className="text-2xl leading-tight font-bold">{title}</h2>}
      {blocks.map((block, n) => (
        // Blocks have no names; they stand in their order.
        <Fragment key={n}>
          <BlockView block={block} onChange={onChange} />
        </Fragment>
      ))}
    </article>
  );
}

type Change = ((before: string, now: string) => void) | undefined;

function BlockView({ block, onChange }: { block: Block; onChange: Change }): ReactElement {
  switch (block.is) {
    case 'heading':
      return <h3 className="mt-4 text-xl font-bold break-after-avoid">{block.text}</h3>;
    case 'text':
      return (
        <p className="mt-1">
          <Sentence said={block} onChange={onChange} />
        </p>
      );
    case 'list':
      return <Sentences items={block.items} onChange={onChange} />;
    case 'large':
      return <p className="font-tag text-8xl leading-none font-bold">{block.text}</p>;
    case 'choice':
      return (
        <section className="mt-3 break-inside-avoid">
          <h4 className="flex flex-wrap items-baseline justify-between gap-x-4 text-xl font-bold">
            {block.name}
            <span className="tabular-nums">
              {block.price}, {block.days}
            </span>
          </h4>
          <Sentences items={block.items} onChange={onChange} />
        </section>
      );
    case 'photo':
      return <PhotoBlock block={block} />;
    case 'code':
      return (
        <figure className="mt-3">
          <QRCodeSVG
            value={block.url}
            size={120}
            title={`${block.text}: ${block.url}`}
            className="bg-white p-1"
          />
        </figure>
      );
    case 'sign':
      return <p className="mt-12 w-72 max-w-full border-t-2 border-ink pt-1 text-soft">{block.text}</p>;
  }
}

const Sentences = ({ items, onChange }: { items: readonly Said[]; onChange: Change }): ReactElement => (
  <ul className="mt-1 list-disc pl-5">
    {items.map((item) => (
      <li key={item.text}>
        <Sentence said={item} onChange={onChange} />
      </li>
    ))}
  </ul>
);

/** A sentence; tapped, it can be written otherwise, or taken out by leaving nothing of it. */
function Sentence({ said, onChange }: { said: Said; onChange: Change }): ReactElement {
  const [writing, setWriting] = useState(false);
  if (!onChange) return <>{said.text}</>;
  if (!writing)
    return (
      <button
        type="button"
        title="Write it otherwise"
        onClick={() => setWriting(true)}
        className="rounded text-left align-top underline decoration-line decoration-dotted underline-offset-4 hover:bg-line print:no-underline"
      >
        {said.text}
      </button>
    );
  return (
    <textarea
      autoFocus
      aria-label={`Instead of: ${said.text}`}
      defaultValue={said.text}
      rows={2}
      maxLength={1000}
      onBlur={(e) => {
        if (e.target.value.trim() !== said.text) onChange(said.text, e.target.value);
        setWriting(false);
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          e.currentTarget.blur();
        }
      }}
      className="block w-full rounded-md border-2 border-ink bg-paper p-2"
    />
  );
}

function PhotoBlock({ block }: { block: Extract<Block, { is: 'photo' }> }): ReactElement {
  const { src } = usePhoto(block.hash);
  const says = linesOf(block).join('. ');
  return (
    <figure className="mt-3 w-fit break-inside-avoid">
      <div className="relative w-fit">
        <img
          src={src}
          alt={says || 'Photo'}
          width={block.width}
          height={block.height}
          className="h-auto max-h-64 w-auto max-w-full rounded-md"
        />
        {block.pins.map((pin, n) => (
          <span
            key={`${pin.x} ${pin.y}`}
            aria-hidden
            style={{ left: `${100 * pin.x}%`, top: `${100 * pin.y}%` }}
            className="absolute grid size-7 -translate-1/2 place-items-center rounded-full border-2 border-paper bg-ink text-base font-bold text-paper"
          >
            {n + 1}
          </span>
        ))}
      </div>
      {says && <figcaption className="text-soft">{says}</figcaption>}
    </figure>
  );
}
