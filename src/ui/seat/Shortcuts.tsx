'use client';

import Dialog from '@mui/material/Dialog';

const KEYS = [
  ['Ctrl or ⌘ K', 'find a part or do something'],
  ['g then 1 … 5', 'Brief, Draft, Weigh, Rivals, Buy'],
  ['g then 0', 'Desk'],
  ['g then 7', 'Library'],
  ['/ and n in the Library', 'find, new part'],
  ['Ctrl or ⌘ Z', 'undo'],
  ['Ctrl or ⌘ Shift Z', 'redo'],
  ['↑ ↓ in the tray', 'look at a candidate: map and beams follow'],
  ['Enter in the tray', 'take the candidate'],
  ['Escape', 'leave the tray or a dialog'],
  ['?', 'this list'],
] as const;

export function Shortcuts({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="shortcuts">
      <div className="pane" style={{ padding: 18, minWidth: 420 }}>
        <div className="panehead">
          <h1 id="shortcuts">Keys</h1>
          <button type="button" className="link" onClick={onClose} autoFocus>
            Close
          </button>
        </div>
        <table>
          <tbody>
            {KEYS.map(([keys, what]) => (
              <tr key={keys}>
                <td style={{ whiteSpace: 'nowrap' }}>
                  <kbd>{keys}</kbd>
                </td>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Dialog>
  );
}
