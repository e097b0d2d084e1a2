import { chosenTotal, type Quote } from '../../quote/document';
import { paperWords } from '../../words/paper';
import { minorDigits } from '../../units/money';
import { quoteBlocks, type Block, type Cell, type Table } from './blocks';

const ESCAPED: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
/** Text that stands as it is, whatever is in it. */
export const escaped = (said: string): string => said.replace(/[&<>"']/g, (char) => ESCAPED[char] ?? char);

export const PAPER_STYLE = `
body{font:15px/1.45 system-ui,sans-serif;color:#22262b;background:#f5f3ee;margin:0 auto;padding:32px;max-width:820px}
h1{font-size:22px;margin:20px 0 4px}h2{font-size:17px;margin:28px 0 6px}h3{font-size:15px;margin:18px 0 2px}
p{margin:6px 0}ul{margin:4px 0;padding-left:20px}.quiet{color:#5b6068}
table{border-collapse:collapse;width:100%;margin:8px 0}th,td{text-align:left;vertical-align:top;padding:4px 12px 4px 0;border-bottom:1px solid #d9d4c8}
th{font-weight:600}.n{text-align:right;font-variant-numeric:tabular-nums;white-space:nowrap}.n:last-child{padding-right:0}.s{font-weight:600}
header{display:flex;justify-content:space-between;gap:24px}label{cursor:pointer}
form p{display:flex;gap:12px;align-items:baseline;flex-wrap:wrap}
button,input{font:inherit;color:inherit}button{background:#2c6e63;color:#fff;border:0;border-radius:3px;padding:7px 14px;cursor:pointer}
button.plain{background:none;color:#9c3a36;border:1px solid #9c3a36}input[type=text]{border:1px solid #8a857a;border-radius:3px;padding:6px 8px;background:#fff}
.line{display:inline-block;border-bottom:1px solid #22262b;min-width:220px;height:30px}
@media print{body{background:none;padding:0;max-width:none}tr,li{break-inside:avoid}button{display:none}}
`;

/**
 * Adds up what is ticked and unticks what cannot be had with it; the page says everything without it too. Its hash stands
 * in the page's policy, so that nothing else runs.
 */
export const PAPER_SCRIPT = `'use strict';
const out=document.querySelector('[data-chosen]');
const boxes=[...document.querySelectorAll('input[data-difference]')];
const sets=(out.dataset.sets||'').split('|').filter(Boolean).map(set=>set.split(' '));
const show=()=>{let sum=Number(out.dataset.chosen);for(const box of boxes)if(box.checked)sum+=Number(box.dataset.difference);
const digits=Number(out.dataset.digits);out.textContent=new Intl.NumberFormat(document.documentElement.lang,{minimumFractionDigits:digits,maximumFractionDigits:digits}).format(sum/10**digits)};
for(const box of boxes)box.addEventListener('change',()=>{
const needs=(of)=>(of.dataset.needs||'').split(' ').filter(Boolean);
const at=(id)=>boxes.find(other=>other.dataset.kind==='option'&&other.value===id);
if(box.checked){for(const other of boxes)if(other!==box&&(box.dataset.kind==='alternative'||other.dataset.kind==='alternative'))other.checked=false;
for(const id of needs(box)){const other=at(id);if(other)other.checked=true}
for(const set of sets)if(set.every(id=>at(id)?.checked)){const other=at(set.find(id=>id!==box.value&&!needs(box).includes(id)));if(other)other.checked=false}}
for(const other of boxes)if(other.checked&&needs(other).some(id=>!at(id)?.checked))other.checked=false;
show()});
show();`;
/** SHA-256 of the script, base64; the tests hold it to it. */
export const PAPER_SCRIPT_HASH = '3jTiUoBFHLnsBKfMVoiaZOW9kup4fVcWNyzWrgxX8dw=';

/** How a page takes the client's answer. */
export interface Answering {
  /** Where the form is sent. */
  readonly action: string;
}

/** What was said to a quote, as its page tells it. */
export type Said = { readonly state: 'accepted' | 'declined'; readonly on: string } | { readonly state: 'lapsed' };

/**
 * A quote as one page that is read and printed without the app: nothing is fetched. With `answering` it holds a form in
 * which options are ticked and the quote is accepted or declined, and nothing else.
 */
export function quotePage(quote: Quote, { answering, said }: { answering?: Answering; said?: Said } = {}): string {
  const { words, numbers } = paperWords(quote.locale);
  const open = answering !== undefined && said === undefined;
  const blocks = quoteBlocks(quote).map((block) => blockHtml(block, quote, open));
  const told =
    said === undefined
      ? ''
      : `<p class="s" role="status">${escaped(
          said.state === 'lapsed' ? words.answer.lapsed : words.answer[said.state](numbers.day(said.on)),
        )}</p>`;
  const body = `${told}${blocks.join('\n')}`;
  return `<!doctype html>
<html lang="${quote.locale}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'sha256-${PAPER_SCRIPT_HASH}'${answering ? "; form-action 'self'" : ''}">
<title>${escaped(words.title(quote))}</title>
<style>${PAPER_STYLE}</style>
</head>
<body>
${open ? `<form method="post" action="${escaped(answering.action)}">${body}</form>` : body}
<script>${PAPER_SCRIPT}</script>
</body>
</html>
`;
}

function blockHtml(block: Block, quote: Quote, open: boolean): string {
  switch (block.kind) {
    case 'parties': {
      const party = (who: typeof block.from): string =>
        `<p>${[who.name, ...who.address, ...[who.taxNumber, who.reach].flatMap((line) => line ?? [])]
          .map((line) => `<bdi>${escaped(line)}</bdi>`)
          .join('<br>')}</p>`;
      return `<header>${party(block.from)}${block.client ? party(block.client) : ''}</header>`;
    }
    case 'heading':
      return `<h${block.level}><bdi>${escaped(block.text)}</bdi></h${block.level}>`;
    case 'text':
      return `<p${block.quiet ? ' class="quiet"' : ''}>${escaped(block.text)}</p>`;
    case 'list':
      return `<ul>${block.items.map((item) => `<li>${escaped(item)}</li>`).join('')}</ul>`;
    case 'table':
      return tableHtml(block, quote);
    case 'sign':
      return signHtml(quote, open);
  }
}

function tableHtml({ head, rows, foot }: Table, quote: Quote): string {
  const cell = (entry: Cell, tag: 'td' | 'th'): string => {
    const classes = [...(entry.right ? ['n'] : []), ...(entry.strong ? ['s'] : [])].join(' ');
    return `<${tag}${classes === '' ? '' : ` class="${classes}"`}>${entry.tick ? tickHtml(entry, quote) : `<bdi>${escaped(entry.text)}</bdi>`}</${tag}>`;
  };
  const row = (cells: readonly Cell[], tag: 'td' | 'th' = 'td'): string =>
    `<tr>${cells.map((entry) => cell(entry, tag)).join('')}</tr>`;
  return `<table><thead>${row(head, 'th')}</thead><tbody>
${rows.map((cells) => row(cells)).join('\n')}
</tbody>${foot.length > 0 ? `<tfoot>${foot.map((cells) => row(cells)).join('\n')}</tfoot>` : ''}</table>`;
}

function tickHtml({ text, tick }: Cell, quote: Quote): string {
  if (!tick) return escaped(text);
  const option = quote.options.find(({ id }) => tick.kind === 'option' && id === tick.id);
  const other = quote.alternatives.find(({ id }) => tick.kind === 'alternative' && id === tick.id);
  const data = [
    `data-kind="${tick.kind}"`,
    `data-difference="${option?.differenceMinor ?? other?.differenceMinor ?? 0}"`,
    ...(option && option.needs.length > 0 ? [`data-needs="${escaped(option.needs.join(' '))}"`] : []),
  ].join(' ');
  return `<label><input type="checkbox" name="${tick.kind}" value="${escaped(tick.id)}" ${data}> <bdi>${escaped(text)}</bdi></label>`;
}

function signHtml(quote: Quote, open: boolean): string {
  const { words, numbers } = paperWords(quote.locale);
  const { answer } = words;
  const total = chosenTotal(quote, { options: [] });
  const chosen =
    quote.options.length + quote.alternatives.length > 0
      ? `<p>${escaped(answer.chosen)}: <b data-chosen="${quote.totalMinor}" data-digits="${minorDigits(quote.currency)}"${quote.notAll.length > 0 ? ` data-sets="${escaped(quote.notAll.map((set) => set.join(' ')).join('|'))}"` : ''}>${escaped(numbers.coins(typeof total === 'number' ? total : quote.totalMinor, quote.currency))}</b> ${quote.currency}</p>`
      : `<p hidden><b data-chosen="${quote.totalMinor}" data-digits="${minorDigits(quote.currency)}"></b></p>`;
  if (!open)
    return `${chosen}<p>${escaped(answer.place)} <span class="line"></span> ${escaped(answer.signature)} <span class="line"></span></p>`;
  return `${chosen}<p><label>${escaped(answer.name)} <input type="text" name="name" maxlength="120" required></label>
<button name="answer" value="accepted">${escaped(answer.accept)}</button>
<button class="plain" name="answer" value="declined" formnovalidate>${escaped(answer.decline)}</button></p>`;
}
