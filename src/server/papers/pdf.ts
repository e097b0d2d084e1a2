import PDFDocument from 'pdfkit';
import type { Quote } from '@/core/quote/document';
import { quoteBlocks, type Block, type Cell, type Table } from '@/core/formats/paper/blocks';
import { paperWords } from '@/core/words/paper';
import { faceBytes, type Weight } from './fonts';
import { lines, type Run } from './runs';

const INK = '#22262b';
const QUIET = '#5b6068';
const HAIR = '#d9d4c8';
const ACTION = '#2c6e63';
const MARGIN = 54;
/** Room at the foot for the page's number. */
const FOOT = 30;
const LEADING = 1.32;
const BODY = 9.5;
const PAD = 2.2;
const GAP = 8;

interface Style {
  readonly size: number;
  readonly weight: Weight;
  readonly color: string;
}
const PLAIN: Style = { size: BODY, weight: 400, color: INK };
const STRONG: Style = { ...PLAIN, weight: 600 };
const HEADS: Readonly<Record<1 | 2 | 3, Style>> = {
  1: { size: 17, weight: 600, color: INK },
  2: { size: 12.5, weight: 600, color: ACTION },
  3: { size: 10.5, weight: 600, color: INK },
};

/** A picture for the head of papers. */
export type Logo = Buffer | undefined;

/** What is on a sheet, and who says it to whom. */
export interface Sheet {
  readonly title: string;
  /** What it is called at the foot of each page. */
  readonly kind: string;
  readonly from: string;
  readonly sheet: Quote['sheet'];
  readonly locale: Quote['locale'];
  readonly blocks: readonly Block[];
}

/** A quote as a PDF. */
export function quotePdf(quote: Quote, logo?: Logo): Promise<Buffer> {
  const kind = paperWords(quote.locale).words.title(quote);
  const { sheet, locale } = quote;
  const blocks = quoteBlocks(quote);
  return paperPdf({ title: `${kind}: ${quote.title}`, kind, from: quote.from.name, sheet, locale, blocks }, logo);
}

/** A paper as a PDF on its sheet, tagged and with its fonts in it. Source: ISO 32000-1, 14.7 and 14.8 (logical structure). */
export async function paperPdf(paper: Sheet, logo?: Logo): Promise<Buffer> {
  const { words } = paperWords(paper.locale);
  const options: Omit<PDFKit.PDFDocumentOptions, 'subset' | 'font'> & {
    readonly subset: 'PDF/UA';
    readonly font: null;
  } = {
    size: paper.sheet === 'letter' ? 'LETTER' : 'A4',
    margins: { top: MARGIN, bottom: 0, left: MARGIN, right: MARGIN },
    bufferPages: true,
    pdfVersion: '1.7',
    tagged: true,
    lang: paper.locale,
    displayTitle: true,
    info: { Title: paper.title, Author: paper.from },
    // the types know of none of the accessible kinds yet
    subset: 'PDF/UA',
    // no font is used that is not in it
    font: null,
  };
  const doc = new PDFDocument(options as unknown as PDFKit.PDFDocumentOptions);
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<void>((resolve, reject) => doc.on('end', resolve).on('error', reject));
  const pen = penOf(doc);
  const root = doc.struct('Document');
  doc.addStructure(root);
  if (logo) drawLogo(doc, root, logo, paper);
  for (const block of paper.blocks) drawBlock(pen, root, block, paper);
  root.end();
  const { count } = doc.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    doc.switchToPage(page);
    doc.markContent('Artifact', { type: 'Pagination' });
    const text = `${paper.from}   ${paper.kind}   ${words.heads.page(page + 1, count)}`;
    const [runs = []] = pen.laid(text, pen.width, { ...PLAIN, size: 8 });
    pen.put(runs, MARGIN, doc.page.height - MARGIN + 12, { ...PLAIN, size: 8, color: QUIET });
    doc.endMarkedContent();
  }
  doc.end();
  await done;
  return Buffer.concat(chunks);
}

type Doc = InstanceType<typeof PDFDocument>;
type Part = ReturnType<Doc['struct']>;

interface Pen {
  readonly doc: Doc;
  readonly width: number;
  readonly laid: (text: string, width: number, style: Style) => Run[][];
  readonly widthOf: (runs: readonly Run[], style: Style) => number;
  readonly put: (runs: readonly Run[], x: number, y: number, style: Style) => void;
  /** Begins a page where less than so much is left. True when it did. */
  readonly room: (height: number) => boolean;
  readonly bottom: () => number;
}

function penOf(doc: Doc): Pen {
  const known = new Set<string>();
  const use = ({ face }: Run, { size }: Style): void => {
    if (!face) {
      doc.font('box-of-nothing', size);
      return;
    }
    if (!known.has(face.id)) {
      known.add(face.id);
      doc.registerFont(face.id, faceBytes(face));
    }
    doc.font(face.id, size);
  };
  /** A character that no face has. */
  const boxWidth = (run: Run, { size }: Style): number => [...run.text].length * size * 0.6;
  const measure =
    (style: Style) =>
    (run: Run): number => {
      if (!run.face) return boxWidth(run, style);
      use(run, style);
      return doc.widthOfString(run.text);
    };
  const width = doc.page.width - 2 * MARGIN;
  const bottom = (): number => doc.page.height - MARGIN - FOOT / 2;
  return {
    doc,
    width,
    laid: (text, room, style) => lines(text, room, style.weight, measure(style)),
    widthOf: (runs, style) => runs.reduce((sum, run) => sum + measure(style)(run), 0),
    put: (runs, x, y, style) => {
      let at = x;
      for (const run of runs) {
        const wide = measure(style)(run);
        if (run.face) {
          use(run, style);
          // all fonts of a line stand on one baseline, however high each of them reaches
          doc.fillColor(style.color).text(run.text, at, y + style.size, { lineBreak: false, baseline: 'alphabetic' });
        } else
          doc
            .lineWidth(0.6)
            .rect(at + 1, y + style.size * 0.25, wide - 2, style.size * 0.7)
            .stroke(style.color);
        at += wide;
      }
    },
    room: (height) => {
      if (doc.y + height <= bottom()) return false;
      doc.addPage();
      doc.y = MARGIN;
      return true;
    },
    bottom,
  };
}

/** Draws lines of text as one element; a line is never cut by a page. */
function drawText(pen: Pen, into: Part, tag: string, text: string, style: Style, x = MARGIN, width = pen.width): void {
  const { doc } = pen;
  const high = style.size * LEADING;
  const element = doc.struct(tag);
  into.add(element);
  for (const runs of pen.laid(text, width, style)) {
    pen.room(high);
    const y = doc.y;
    element.add(() => pen.put(runs, x, y, style));
    doc.y = y + high;
  }
  element.end();
}

function drawLogo(doc: Doc, root: Part, logo: Buffer, { from }: Sheet): void {
  const figure = doc.struct('Figure', { alt: from }, () => {
    doc.image(logo, MARGIN, MARGIN, { fit: [150, 48] });
  });
  root.add(figure);
  doc.y = MARGIN + 58;
}

function drawBlock(pen: Pen, root: Part, block: Block, paper: Sheet): void {
  const { doc } = pen;
  switch (block.kind) {
    case 'parties': {
      const half = pen.width / 2 - GAP;
      const top = doc.y;
      const party = (who: NonNullable<Quote['client']>, x: number): number => {
        doc.y = top;
        drawText(pen, root, 'P', who.name, STRONG, x, half);
        for (const line of [...who.address, ...[who.taxNumber, who.reach].flatMap((said) => said ?? [])])
          drawText(pen, root, 'P', line, PLAIN, x, half);
        return doc.y;
      };
      const left = party(block.from, MARGIN);
      const right = block.client ? party(block.client, MARGIN + half + 2 * GAP) : top;
      doc.y = Math.max(left, right) + 2 * GAP;
      return;
    }
    case 'heading': {
      const style = HEADS[block.level];
      // a heading does not stand alone at the foot of a page
      if (block.newPage === true) pen.room(Infinity);
      else if (!pen.room(style.size * LEADING + 5 * BODY)) doc.y += block.level === 3 ? GAP / 2 : GAP;
      drawText(pen, root, `H${block.level}`, block.text, style);
      doc.y += 2;
      return;
    }
    case 'text':
      drawText(pen, root, 'P', block.text, block.quiet ? { ...PLAIN, color: QUIET } : PLAIN);
      doc.y += 3;
      return;
    case 'list': {
      const list = doc.struct('L');
      root.add(list);
      for (const item of block.items) {
        const entry = doc.struct('LI');
        list.add(entry);
        pen.room(BODY * LEADING);
        const y = doc.y;
        entry.add(doc.struct('Lbl', {}, () => pen.put(pen.laid('•', 20, PLAIN)[0] ?? [], MARGIN, y, PLAIN)));
        drawText(pen, entry, 'LBody', item, PLAIN, MARGIN + 12, pen.width - 12);
        doc.y += 1.5;
        entry.end();
      }
      list.end();
      return;
    }
    case 'table':
      drawTable(pen, root, block);
      return;
    case 'sign':
      drawSign(pen, root, paper);
  }
}

const TICK = 9;

function drawTable(pen: Pen, root: Part, { widths, head, rows, foot }: Table): void {
  const { doc } = pen;
  const all = widths.reduce((sum, part) => sum + part, 0);
  const columns = widths.map((part) => (pen.width * part) / all);
  const starts = columns.map((_, i) => MARGIN + columns.slice(0, i).reduce((sum, wide) => sum + wide, 0));
  const table = doc.struct('Table');
  root.add(table);
  const styleOf = (cell: Cell, header: boolean): Style =>
    header ? { ...STRONG, color: QUIET, size: 8.5 } : cell.strong ? STRONG : PLAIN;
  const row = (cells: readonly Cell[], tag: 'TH' | 'TD', repeated = false): void => {
    const laid = cells.map((cell, i) => {
      const inset = cell.tick ? TICK + 5 : 0;
      const style = styleOf(cell, tag === 'TH');
      return { cell, style, inset, lines: pen.laid(cell.text, (columns[i] ?? 0) - PAD * 2 - inset, style) };
    });
    const high =
      Math.max(...laid.map(({ lines: own, style }) => Math.max(1, own.length) * style.size * LEADING)) + PAD * 2;
    // the head of a group does not stand alone at the foot of a page
    const wanted = cells[0]?.strong === true ? 2 * high : high;
    if (!repeated && pen.room(wanted) && tag === 'TD') row(head, 'TH', true);
    const top = doc.y;
    const element = repeated ? undefined : doc.struct('TR');
    if (element) table.add(element);
    laid.forEach(({ cell, style, inset, lines: own }, i) => {
      const [x, wide] = [starts[i] ?? MARGIN, columns[i] ?? 0];
      const draw = (): void => {
        if (cell.tick)
          doc
            .lineWidth(0.8)
            .rect(x + PAD, top + PAD + 1.5, TICK, TICK)
            .stroke(INK);
        own.forEach((runs, n) => {
          const from = cell.right ? x + wide - PAD - pen.widthOf(runs, style) : x + PAD + inset;
          pen.put(runs, i === 0 && !cell.tick ? from - PAD : from, top + PAD + n * style.size * LEADING, style);
        });
      };
      if (element) {
        // a cell without words is there all the same, so that columns can be told
        element.add(own.length > 0 ? doc.struct(tag, {}, draw) : doc.struct(tag));
      } else {
        doc.markContent('Artifact', { type: 'Layout' });
        draw();
        doc.endMarkedContent();
      }
    });
    element?.end();
    doc.markContent('Artifact', { type: 'Layout' });
    doc
      .lineWidth(tag === 'TH' ? 0.8 : 0.4)
      .moveTo(MARGIN, top + high)
      .lineTo(MARGIN + pen.width, top + high)
      .stroke(tag === 'TH' ? QUIET : HAIR);
    doc.endMarkedContent();
    doc.y = top + high;
  };
  row(head, 'TH');
  for (const cells of [...rows, ...foot]) row(cells, 'TD');
  table.end();
  doc.y += GAP * 0.8;
}

function drawSign(pen: Pen, root: Part, { locale }: Sheet): void {
  const { doc } = pen;
  const { answer } = paperWords(locale).words;
  pen.room(44);
  doc.y += 24;
  const y = doc.y;
  const half = pen.width / 2 - GAP;
  [answer.place, answer.signature].forEach((text, i) => {
    const x = MARGIN + i * (half + 2 * GAP);
    doc.markContent('Artifact', { type: 'Layout' });
    doc
      .lineWidth(0.6)
      .moveTo(x, y)
      .lineTo(x + half, y)
      .stroke(INK);
    doc.endMarkedContent();
    doc.y = y + 2;
    drawText(pen, root, 'P', text, { ...PLAIN, size: 8, color: QUIET }, x, half);
  });
}
