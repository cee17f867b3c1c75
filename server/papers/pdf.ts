import { linesOf, type Block, type GivenPaper } from '@rusty-wren/core/log';
import PDFDocument from 'pdfkit';
import qrcode from 'qrcode';
import sharp from 'sharp';
import { FACES, runsOf, type Weight } from './fonts';
import { FORMATS, SHEET_SIZES, type Sheet } from './sheets';

const LEADING = 1.3;
const SOFT = '#615749';
const INK = '#241f1a';

type Doc = PDFKit.PDFDocument;

/** Writes blocks one below the other, each as a piece of the document's structure. */
class Writer {
  constructor(
    private readonly doc: Doc,
    private readonly size: number,
    private readonly photos: ReadonlyMap<string, Buffer>,
  ) {}

  /** One line or paragraph where the document stands. */
  private write(
    text: string,
    { weight = 'plain', scale = 1, colour = INK }: { weight?: Weight; scale?: number; colour?: string } = {},
  ): void {
    const size = this.size * scale;
    const runs = runsOf(text, weight);
    this.doc.fontSize(size).fillColor(colour);
    runs.forEach((run, n) => {
      this.doc.font(run.face).text(run.text, {
        continued: n < runs.length - 1,
        lineGap: size * (LEADING - 1.2),
      });
    });
  }

  private gap(lines: number): void {
    this.doc.y += this.size * lines;
  }

  /** Begins a new page where so much is not left on this one, in points. */
  private room(points: number): void {
    const { page } = this.doc;
    if (this.doc.y + points <= page.height - page.margins.bottom) return;
    // What is marked goes on over the page: the types of the package leave this out.
    (this.doc as Doc & { continueOnNewPage: () => void }).continueOnNewPage();
  }

  private piece(type: string, draw: () => void, more: { alt?: string } = {}): PDFKit.PDFStructureElement {
    return this.doc.struct(type, more, draw);
  }

  title(text: string): PDFKit.PDFStructureElement {
    return this.piece('H1', () => this.write(text, { weight: 'bold', scale: 1.5 }));
  }

  block(block: Block): PDFKit.PDFStructureElement {
    switch (block.is) {
      case 'heading':
        return this.piece('H2', () => {
          this.gap(0.9);
          this.room(this.size * 4);
          this.write(block.text, { weight: 'bold', scale: 1.2 });
        });
      case 'text':
        return this.piece('P', () => {
          this.gap(0.3);
          this.write(block.text);
        });
      case 'list':
        return this.items(block.items.map((i) => i.text));
      case 'large':
        return this.piece('P', () => this.write(block.text, { weight: 'bold', scale: 5 }));
      case 'choice':
        return this.choice(block);
      case 'photo':
        return this.photo(block);
      case 'code':
        return this.code(block);
      case 'sign':
        return this.piece('P', () => {
          this.gap(2.5);
          this.room(this.size * 3);
          const { left, right } = this.doc.page.margins;
          const wide = Math.min(260, this.doc.page.width - left - right);
          this.doc
            .moveTo(left, this.doc.y)
            .lineTo(left + wide, this.doc.y)
            .lineWidth(0.8)
            .stroke(INK);
          this.gap(0.2);
          this.write(block.text, { colour: SOFT, scale: 0.9 });
        });
    }
  }

  private items(texts: readonly string[]): PDFKit.PDFStructureElement {
    const list = this.doc.struct('L');
    const { left } = this.doc.page.margins;
    for (const text of texts) {
      const item = this.doc.struct('LI');
      item.add(
        this.doc.struct('LBody', {}, () => {
          this.gap(0.25);
          this.room(this.size * LEADING);
          const at = this.doc.y;
          this.doc.circle(left + this.size * 0.3, at + this.size * 0.62, this.size * 0.14).fill(INK);
          this.doc.x = left + this.size;
          this.write(text);
          this.doc.x = left;
        }),
      );
      item.end();
      list.add(item);
    }
    list.end();
    return list;
  }

  private choice(block: Extract<Block, { is: 'choice' }>): PDFKit.PDFStructureElement {
    const section = this.doc.struct('Sect');
    section.add(
      this.piece('H3', () => {
        this.gap(0.7);
        this.room(this.size * 5);
        this.write(block.name, { weight: 'bold', scale: 1.1 });
      }),
    );
    section.add(this.piece('P', () => this.write(`${block.price}, ${block.days}`, { weight: 'bold' })));
    section.add(this.items(block.items.map((i) => i.text)));
    section.end();
    return section;
  }

  private photo(block: Extract<Block, { is: 'photo' }>): PDFKit.PDFStructureElement {
    const { hash, width, height, pins } = block;
    const bytes = this.photos.get(hash);
    const says = linesOf(block).join('. ');
    const section = this.doc.struct('Sect');
    if (bytes)
      section.add(
        this.piece(
          'Figure',
          () => {
            const { left, right } = this.doc.page.margins;
            const wide = Math.min(260, this.doc.page.width - left - right, (200 * width) / height);
            const high = (wide * height) / width;
            this.gap(0.6);
            this.room(high + this.size * 3);
            const top = this.doc.y;
            this.doc.image(bytes, left, top, { width: wide });
            pins.forEach((pin, n) => {
              const [x, y] = [left + pin.x * wide, top + pin.y * high];
              this.doc.circle(x, y, 8).lineWidth(1.2).fillAndStroke(INK, '#ffffff');
              this.doc.font(FACES.bold[0].name).fontSize(9).fillColor('#ffffff');
              this.doc.text(String(n + 1), x - 8, y - 5.5, { width: 16, align: 'center', lineBreak: false });
            });
            this.doc.x = left;
            this.doc.y = top + high + this.size * 0.3;
          },
          { alt: says || 'Photo' },
        ),
      );
    if (says) section.add(this.piece('P', () => this.write(says, { colour: SOFT, scale: 0.9 })));
    section.end();
    return section;
  }

  private code({ url, text }: Extract<Block, { is: 'code' }>): PDFKit.PDFStructureElement {
    return this.piece(
      'Figure',
      () => {
        const { modules } = qrcode.create(url, { errorCorrectionLevel: 'M' });
        const side = Math.min(90, this.doc.page.width / 3);
        const dot = side / modules.size;
        this.gap(0.6);
        this.room(side);
        const [left, top] = [this.doc.page.margins.left, this.doc.y];
        for (let row = 0; row < modules.size; row++)
          for (let col = 0; col < modules.size; col++)
            if (modules.get(row, col)) this.doc.rect(left + col * dot, top + row * dot, dot, dot);
        this.doc.fill('#000000');
        this.doc.y = top + side + this.size * 0.3;
      },
      { alt: `${text}: ${url}` },
    );
  }
}

/** Photos as a document takes them: JPEG, upright, no larger than they are printed. */
export const asJpeg = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes)
    .resize(1100, 1100, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 82 })
    .toBuffer();

type Printed = Pick<GivenPaper, 'paper' | 'title' | 'blocks' | 'version' | 'notedAt'>;
interface On {
  sheet: Sheet;
  photos: ReadonlyMap<string, Buffer>;
}

/** Points by which type is made smaller at a time. */
const TYPE_STEP = 0.5;

/**
 * A given paper as PDF: tagged, with its title and language, selectable text in the shipped type. `photos`: JPEGs by hash; one
 * that is not there leaves its words.
 */
export async function pdfOf(given: Printed, on: On): Promise<Buffer> {
  const { text, smallest = text } = FORMATS[given.paper];
  // What is one side is made smaller until it is, as far as it can be read.
  for (let type = text; ; type -= TYPE_STEP) {
    const { pdf, pages } = await drawn(given, on, type);
    if (pages === 1 || type - TYPE_STEP < smallest) return pdf;
  }
}

async function drawn(
  { paper, title, blocks, version, notedAt }: Printed,
  { sheet, photos }: On,
  text: number,
): Promise<{ pdf: Buffer; pages: number }> {
  const { size = SHEET_SIZES[sheet], margin } = FORMATS[paper];
  const doc = new PDFDocument({
    size,
    margins: { top: margin, bottom: margin, left: margin, right: margin },
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: title, CreationDate: new Date(notedAt) },
    font: null as unknown as string,
  });
  let pages = 1;
  doc.on('pageAdded', () => pages++);
  for (const { name, bytes } of [...FACES.plain, ...FACES.bold]) doc.registerFont(name, bytes);
  const done = new Promise<Buffer>((resolve, reject) => {
    const parts: Buffer[] = [];
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  const writer = new Writer(doc, text, photos);
  const whole = doc.struct('Document');
  doc.addStructure(whole);
  if (paper !== 'tag') whole.add(writer.title(title));
  for (const block of blocks) whole.add(writer.block(block));
  // A paper without its day is worth nothing in a drawer.
  const day = new Date(notedAt).toLocaleDateString('en-GB', { dateStyle: 'long' });
  if (paper !== 'tag')
    whole.add(
      writer.block({ is: 'text', text: `${day}${version > 1 ? `, version ${version}` : ''}.`, from: [] }),
    );
  whole.end();
  doc.end();
  return { pdf: await done, pages };
}
