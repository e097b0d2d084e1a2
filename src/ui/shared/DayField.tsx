'use client';

import Box from '@mui/material/Box';
import type { FieldRef } from '@mui/x-date-pickers/models';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs, { type Dayjs } from 'dayjs';
import 'dayjs/locale/en-gb';
import { useRef } from 'react';
import { wrongOr } from './wrongOr';

/** A day as ISO 8601 writes it: "2026-05-18". */
export type Day = string;

export interface DayFieldProps {
  readonly label: string;
  /** What it starts with; empty is no day. */
  readonly start: Day | '';
  /** Told of a day, of none, and of one that is half typed, which is no day that can be read. */
  readonly onChange: (day: Day | '') => void;
  readonly latest?: Day;
  readonly wrong?: string | undefined;
  readonly autoFocus?: boolean;
}

const HALF_TYPED = '…';
const ISO = 'YYYY-MM-DD';

const dayOf = (date: Dayjs | null): Day | '' => (date === null ? '' : date.isValid() ? date.format(ISO) : HALF_TYPED);

/** Weeks begin as ISO 8601 has them. */
const WEEK_FROM_MONDAY = 'en-gb';

/** As dense and square as everything else here. */
const CELL = { width: 30, height: 28, margin: '1px' } as const;
const DAY = { ...CELL, borderRadius: '3px', fontSize: 13 } as const;
const CALENDAR = {
  '& .MuiDateCalendar-root': { width: 250, height: 'auto', maxHeight: 'none' },
  '& .MuiDayCalendar-weekDayLabel': { ...CELL, height: 24 },
  // days of other months are no days, and take the place of one
  '& .MuiDayCalendar-weekContainer > *': CELL,
  '& .MuiDayCalendar-slideTransition': { minHeight: 186 },
  '& .MuiPickersCalendarHeader-root': { paddingInline: '12px 4px', marginBlock: '6px 2px' },
  '& .MuiPickersCalendarHeader-label': { fontSize: 14, fontWeight: 650 },
} as const;

/** As high as the other fields. */
const FIELD = {
  width: 190,
  '& .MuiPickersSectionList-root': { padding: '4px 0', height: 20, boxSizing: 'content-box' },
  '& .MuiPickersInputBase-root': { padding: '0 4px 0 8px', fontSize: 14, backgroundColor: 'var(--sheet)' },
  '& .MuiIconButton-root': { padding: '2px' },
  '& .MuiSvgIcon-root': { fontSize: 20 },
} as const;

/** A day, typed or picked from the month; read and written as everywhere here: year, month, day. */
export function DayField({ label, start, onChange, latest, wrong, autoFocus = false }: DayFieldProps) {
  const field = useRef<FieldRef<Dayjs | null>>(null);
  // the picker tells of a day that lost a part as of no day, and of one being typed not at all
  const tellHalfTyped = () => {
    const parts = field.current?.getSections() ?? [];
    const typed = parts.filter(({ value }) => value !== '').length;
    if (typed > 0 && typed < parts.length) onChange(HALF_TYPED);
  };
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale={WEEK_FROM_MONDAY}>
      <Box onKeyUp={tellHalfTyped} onBlur={tellHalfTyped}>
        <DatePicker
          label={label}
          format={ISO}
          defaultValue={start === '' ? null : dayjs(start)}
          onChange={(date) => onChange(dayOf(date))}
          autoFocus={autoFocus}
          {...(latest === undefined ? {} : { maxDate: dayjs(latest) })}
          reduceAnimations
          slotProps={{
            field: { clearable: true, fieldRef: field },
            day: { sx: DAY },
            layout: { sx: CALENDAR },
            textField: {
              size: 'small',
              sx: FIELD,
              error: wrong !== undefined,
              helperText: wrongOr(wrong),
            },
          }}
        />
      </Box>
    </LocalizationProvider>
  );
}
