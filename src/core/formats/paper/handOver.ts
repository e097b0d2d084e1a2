import type { HandOver } from '../../assemble/handOver';
import type { Assessment } from '../../assess';
import { firstUpgradeWords } from '../../words/firstUpgrade';
import { listed, number } from '../../words/format';
import { passesWords, testFigure, testTitle, verdictWords } from '../../words/prove';
import { startSees, startTitle } from '../../words/start';
import type { Block, Cell } from './blocks';

const right = (text: string): Cell => ({ text, right: true });
const plain = (texts: readonly string[]): Cell[] => texts.map((text) => ({ text }));

/** "22.2", or "21 to 24". */
function roomWords(rooms: readonly number[]): string {
  const [least, most] = [Math.min(...rooms), Math.max(...rooms)].map((c) => number(c, 3));
  return `${least === most ? '' : `${least ?? ''} to `}${most ?? ''} °C`;
}

/** The title of the sheet, on paper and on screen. */
export const handOverTitle = ({ seat, machine }: HandOver): string => `${machine}, for ${seat}`;

/** How far the machine is from being handed over, in a sentence. */
export function handOverWords({ openSteps, promises, read, twice }: HandOver): string {
  const open = promises - read.length;
  const off = read.filter(({ verdict }) => verdict !== 'passes').length;
  const left = [
    ...(openSteps > 0 ? [`${openSteps} ${openSteps === 1 ? 'step' : 'steps'} of the first start`] : []),
    ...(open > 0 ? [`${open} ${open === 1 ? 'promise' : 'promises'} to prove`] : []),
    ...(off > 0 ? [`${off} ${off === 1 ? 'reading' : 'readings'} off`] : []),
    ...(twice.length > 0 ? [`a serial number twice (${listed(twice)})`] : []),
  ];
  return left.length === 0 ? 'Ready to be handed over' : `Not all is done: ${listed(left)}`;
}

/** What the client should know of a machine that is theirs now. */
export function handOverBlocks(sheet: HandOver, machine: Assessment): Block[] {
  const { from, parts, read, settings, builtBy, licences, firmware, free } = sheet;
  const { roomC } = machine.facts.brief;
  const heading = (text: string, level: 2 | 3 = 2): Block => ({ kind: 'heading', level, text });
  const text = (said: string, quiet = false): Block => ({ kind: 'text', text: said, ...(quiet ? { quiet } : {}) });
  const rooms = read.flatMap(({ reading }) => reading.roomC ?? []);
  return [
    ...(from ? [{ kind: 'parties' as const, from, client: undefined }] : []),
    { kind: 'heading', level: 1, text: handOverTitle(sheet) },
    text(`Handed over ${sheet.on}${builtBy.length > 0 ? `, built by ${listed(builtBy)}` : ''}`, true),
    heading('What was built'),
    {
      kind: 'table',
      widths: [9, 4, 3.4, 3.4, 4],
      head: plain(['Part', 'Serial number', 'Place', 'Warranty until', 'Ask']),
      rows: parts.map((part) =>
        plain([part.name, part.serial ?? '', part.place ?? '', part.warrantyUntil ?? 'not stated', part.ask]),
      ),
      foot: [],
    },
    ...(licences.length > 0 ? [text(`Licences: ${listed(licences)}.`)] : []),
    heading('Promised and measured'),
    ...(read.length === 0
      ? [text('Nothing was measured yet.')]
      : [
          {
            kind: 'table' as const,
            widths: [9, 5, 4, 4],
            head: [{ text: 'What' }, { text: 'Promised' }, right('Measured'), { text: '' }],
            rows: read.map((entry): Cell[] => [
              { text: testTitle(entry.test, machine) },
              { text: passesWords(entry.test, entry.reading.roomC ?? roomC, roomC) },
              right(testFigure(entry.test, entry.reading.value)),
              { text: verdictWords(entry) },
            ]),
            foot: [],
          },
        ]),
    ...(rooms.length > 0
      ? [text(`In a room of ${roomWords(rooms)}; processor and cards at their limit, links under load.`, true)]
      : []),
    ...(sheet.promises > read.length
      ? [text(`${sheet.promises - read.length} promises were not measured.`, true)]
      : []),
    heading('How it is set'),
    {
      kind: 'list',
      items: [
        ...(firmware === undefined ? [] : [`Firmware ${firmware}`]),
        ...settings.map((step) => `${startTitle(step, machine)}: ${startSees(step, machine)}`),
      ],
    },
    heading('Care'),
    {
      kind: 'list',
      items: [
        ...(sheet.filters ? ['Every three months: take the dust filters out, rinse them, put them back dry.'] : []),
        'Once a year: blow dust out of coolers and supply, with the fans held still.',
        'Once a year: bring one file back from its backup.',
        'New firmware only for a reason; it puts the settings above back.',
      ],
    },
    heading('Later'),
    {
      kind: 'list',
      items: [
        ...(free.memorySlots > 0
          ? [`${free.memorySlots} memory ${free.memorySlots === 1 ? 'slot is' : 'slots are'} free.`]
          : []),
        ...(free.driveSlots > 0
          ? [
              `${free.driveSlots} ${free.driveSlots === 1 ? 'slot' : 'slots'} for drives on the board ${free.driveSlots === 1 ? 'is' : 'are'} free.`,
            ]
          : []),
        ...(sheet.upgrade ? [firstUpgradeWords(sheet.upgrade, machine)] : []),
        'In a year measure again: temperatures at the same load and room, the drives’ wear, memory without an error.',
      ],
    },
  ];
}
