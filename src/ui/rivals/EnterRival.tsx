'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import { FormFoot } from '../shared/FormFoot';
import { useState } from 'react';
import { minorOf } from '@/core/units/money';
import type { Problem } from '@/core/formats/problems';
import { makeRival } from '@/server/actions';
import { useCurrency, useDraft, useSeat } from '../seat/store';
import { Problems } from '../shared/Problems';

/** Makes the draft that is shown a branded machine: its parts, with what its maker asks and promises. */
export function EnterRival() {
  const draft = useDraft();
  const seatId = useSeat((state) => state.bundle.seat.id);
  const draftId = useSeat((state) => state.draftId);
  const refresh = useSeat((state) => state.refresh);
  const currency = useCurrency();
  const [open, setOpen] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [told, setTold] = useState<string>();
  if (!open)
    return (
      <Box component="p" className="small" sx={{ marginTop: '8px' }}>
        <TextButton onClick={() => setOpen(true)}>Enter a branded machine</TextButton>{' '}
        {told && <span role="status">{told}</span>}
      </Box>
    );
  return (
    <Box
      component="form"
      aria-label="Enter a branded machine"
      sx={{ marginTop: '8px' }}
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const text = (name: string) => String(form.get(name) ?? '').trim();
        const priceMinor = minorOf(text('price'), currency);
        const shippingMinor = minorOf(text('shipping') === '' ? '0' : text('shipping'), currency);
        const months = Number(text('warranty'));
        if (priceMinor === undefined || shippingMinor === undefined) {
          setProblems([{ path: 'price', message: `is no amount in ${currency}, such as 3799.00` }]);
          return;
        }
        void makeRival({
          seatId,
          draftId,
          maker: text('maker'),
          name: text('name'),
          priceMinor,
          shippingMinor,
          warrantyMonths: months,
          onSite: form.get('onSite') === 'on',
        }).then((result) => {
          if (result.state === 'refused') return setProblems(result.problems);
          setProblems([]);
          setOpen(false);
          setTold('Entered.');
          return refresh();
        });
      }}
    >
      <h3>Enter a branded machine</h3>
      <p className="quiet small">
        Its parts are those of {draft.name}. Parts that its maker does not publish: let the nearest known part stand in,
        in the draft.
      </p>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '6px', marginTop: '4px' }}>
        {(
          [
            ['maker', 'Maker', ''],
            ['name', 'Model', ''],
            ['price', `Price, ${currency}, as quoted here`, ''],
            ['shipping', `Shipping, ${currency}`, '0'],
            ['warranty', 'Warranty, months', '36'],
          ] as const
        ).map(([id, label, start]) => (
          <label key={id} className="small">
            {label}
            <Entry name={id} defaultValue={start} required={id !== 'shipping'} />
          </label>
        ))}
        <FormControlLabel control={<Checkbox name="onSite" />} label="repaired on site" />
      </Box>
      <FormFoot keep="Enter it" onLeave={() => setOpen(false)} />
      {problems.length > 0 && <Problems title="It cannot be entered yet" list={problems} />}
    </Box>
  );
}
