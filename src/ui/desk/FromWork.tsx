'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormLabel from '@mui/material/FormLabel';
import InputAdornment from '@mui/material/InputAdornment';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useId, useState } from 'react';
import { DOORS, OFTEN, type Door, type Often } from '@/core/work/doors';
import { CardButton } from '../shared/CardButton';
import { ChoiceRow } from '../shared/ChoiceRow';
import { NotMade, SeatFields, SeatFoot, useSeatForm, type ProjectChoice } from './seatForm';

interface FromWorkProps {
  readonly projects: readonly ProjectChoice[];
  readonly currency: string | undefined;
  readonly onClose: () => void;
}

const titleOf = (door: Door | 'other' | undefined): string =>
  door === undefined ? 'What is done at this seat?' : door === 'other' ? 'Something else' : door.title;

/** From the work: a card, three questions, a brief. */
export function FromWork({ projects, currency, onClose }: FromWorkProps) {
  const [door, setDoor] = useState<Door | 'other'>();
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="from-work">
      <DialogTitle id="from-work">{titleOf(door)}</DialogTitle>
      {door ? (
        <Questions
          door={door}
          projects={projects}
          currency={currency}
          onBack={() => setDoor(undefined)}
          onClose={onClose}
        />
      ) : (
        <Cards onPick={setDoor} onClose={onClose} />
      )}
    </Dialog>
  );
}

function Cards({ onPick, onClose }: { onPick: (door: Door | 'other') => void; onClose: () => void }) {
  return (
    <>
      <DialogContent>
        <Typography variant="body2" color="text.secondary">
          The nearest one will do: more tasks are added in the brief, and every figure can be changed there.
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(230px, 1fr))', gap: 2, mt: 2 }}>
          {DOORS.map((door, i) => (
            <CardButton
              key={door.id}
              autoFocus={i === 0}
              title={door.title}
              says={door.says}
              onPick={() => onPick(door)}
            />
          ))}
          <CardButton
            title="Something else"
            says="an empty brief: its tasks are added one by one"
            onPick={() => onPick('other')}
          />
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </>
  );
}

interface QuestionsProps extends FromWorkProps {
  /** `other` work is described in an empty brief. */
  readonly door: Door | 'other';
  readonly onBack: () => void;
}

function Questions({ door, projects, currency, onBack, onClose }: QuestionsProps) {
  const asked = door === 'other' ? undefined : door;
  const [size, setSize] = useState<string>(asked?.sizes[1].id ?? '');
  const [often, setOften] = useState<Often>('weekly');
  const { form, problems, submit } = useSeatForm(projects, asked?.title ?? 'Another seat', 'brief');
  const { register, control, formState } = form;
  return (
    <form
      noValidate
      onSubmit={(event) => void submit(() => (asked ? { work: { door: asked.id, size, often } } : {}))(event)}
    >
      <DialogContent>
        <Stack sx={{ gap: 4, pt: 1 }}>
          {asked && (
            <>
              <Choice label={asked.big} value={size} options={asked.sizes} onChange={setSize} />
              <Choice label="How often?" value={often} options={OFTEN} onChange={(value) => setOften(value as Often)} />
            </>
          )}
          <TextField
            label="How much money?"
            sx={{ width: 210 }}
            inputMode="decimal"
            placeholder="not decided"
            error={formState.errors.budget !== undefined}
            helperText={formState.errors.budget?.message}
            slotProps={{
              inputLabel: { shrink: true },
              input: { endAdornment: <InputAdornment position="end">{currency}</InputAdornment> },
            }}
            {...register('budget')}
          />
          <SeatFields register={register} control={control} errors={formState.errors} projects={projects} />
        </Stack>
        <NotMade problems={problems} />
      </DialogContent>
      <SeatFoot making={formState.isSubmitting} make="Make the brief" onClose={onClose}>
        <Button color="inherit" onClick={onBack}>
          Other work
        </Button>
      </SeatFoot>
    </form>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly id: string; readonly label: string }[];
  readonly onChange: (id: string) => void;
}

function Choice({ label, value, options, onChange }: ChoiceProps) {
  const id = useId();
  return (
    <div>
      <FormLabel id={id} sx={{ display: 'block', fontSize: 13, mb: 1 }}>
        {label}
      </FormLabel>
      <ChoiceRow value={value} aria-labelledby={id} options={options} onPick={onChange} />
    </div>
  );
}
