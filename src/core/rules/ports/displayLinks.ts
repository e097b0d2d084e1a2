import { connect, type Picture } from '../../board/pictures';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';
import { displaysOf, pictureSources } from './displays';

/** A display runs at the best refresh its link carries; without a common kind of plug there is no picture at all. */
export const displayLinks: Rule = {
  id: 'display-link',
  reads: ['graphics', 'processor', 'board', 'display'],
  levels: ['blocks', 'unproven', 'caution'],
  check: ({ parts, brief, catalogue }) => {
    const all = pictureSources(parts);
    const sources = all.filter(({ outputs }) => outputs !== undefined && outputs.length > 0);
    // what does not state its outputs may have one that carries more
    const vague = all.filter(({ outputs }) => outputs === undefined);
    const displays = displaysOf(parts, brief, catalogue);
    if (sources.length === 0 || displays.length === 0) return [];
    const holders = sources.map(({ holder }) => holder);
    const checks: Said[] = [];
    const pictures: (Picture & { name: string })[] = [];
    for (const display of displays) {
      const missing = (['widthPx', 'heightPx', 'refreshHz', 'inputs'] as const).filter(
        (field) => display.part[field] === undefined,
      );
      const { widthPx, heightPx, refreshHz, inputs } = display.part;
      if (widthPx === undefined || heightPx === undefined || refreshHz === undefined || inputs === undefined)
        checks.push(unknown('display-link', ...missing.map((field) => [display, field] as const)));
      else
        pictures.push({
          widthPx,
          heightPx,
          refreshHz,
          inputs: inputs.map((input) => input.kind),
          chains: display.part.chains === true,
          name: nameOf(display),
        });
    }
    const outputs = sources.flatMap((source) => source.outputs ?? []);
    let unsure = false;
    connect(pictures, outputs, brief.mustHaves.displaysPerOutput).forEach((link, i) => {
      const picture = pictures[i];
      if (!picture) return;
      if (vague.length > 0 && (link === undefined || link.hz < picture.refreshHz)) {
        unsure = true;
        return;
      }
      checks.push({
        level: link === undefined ? 'blocks' : link.hz < picture.refreshHz ? 'caution' : 'passes',
        code: 'display-link',
        subject: `picture ${i}`,
        items: idsOf(...holders),
        display: picture.name,
        from: holders.map(nameOf).join(' and '),
        output: link?.output,
        refreshHz: picture.refreshHz,
        getsHz: link ? Math.min(picture.refreshHz, link.hz) : 0,
      });
    });
    if (unsure) checks.push(unknown('display-link', ...vague.map(({ holder, field }) => [holder, field] as const)));
    return checks;
  },
};
