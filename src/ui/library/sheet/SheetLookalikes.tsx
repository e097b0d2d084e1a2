import Box from '@mui/material/Box';
import type { PartKind } from '@/core/parts';
import { fieldsOf } from '@/core/parts/fields';
import { valueWords } from '@/core/words/values';
import type { PartSheet } from '@/server/contract';
import { Panel } from '../../shared/Panel';
import { TextButton } from '../../shared/TextButton';

/** Parts that are easily taken for this one, with what differs. */
export function SheetLookalikes({ sheet, onShow }: { sheet: PartSheet; onShow: (id: string) => void }) {
  const { kind } = sheet.part;
  return (
    <Panel title={`Easily taken for it (${sheet.lookalikes.length})`}>
      <ul className="small">
        {sheet.lookalikes.map((other) => (
          <Box component="li" key={other.id} sx={{ padding: '4px 0', borderBottom: '1px solid var(--hair)' }}>
            <TextButton onClick={() => onShow(other.id)}>{other.name}</TextButton>{' '}
            <span className="quiet">{other.because === 'variant' ? 'stated variant' : 'nearly the same name'}</span>
            {other.differences.length === 0 ? (
              <Box component="span" className="carries" sx={{ display: 'block' }}>
                no figure differs
              </Box>
            ) : (
              other.differences.map((difference) => (
                <Difference key={difference.path} kind={kind} difference={difference} />
              ))
            )}
          </Box>
        ))}
      </ul>
    </Panel>
  );
}

function Difference({
  kind,
  difference,
}: {
  kind: PartKind;
  difference: PartSheet['lookalikes'][number]['differences'][number];
}) {
  const field = fieldsOf(kind).find((candidate) => candidate.path === difference.path);
  if (!field) return null;
  return (
    <Box component="span" className="caution" sx={{ display: 'block' }}>
      ◆ {field.label}: {valueWords(field, difference.here)} here, {valueWords(field, difference.there)} there
    </Box>
  );
}
