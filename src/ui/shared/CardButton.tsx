import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';

/** How a card lies on its ground: the same for what is pressed and for what only holds something. */
export const CARD = {
  display: 'flex',
  flexDirection: 'column',
  alignItems: 'flex-start',
  justifyContent: 'flex-start',
  width: '100%',
  textAlign: 'left',
  px: 3,
  py: 2,
  border: '1px solid var(--hair)',
  borderRadius: '3px',
  backgroundColor: 'var(--sheet)',
} as const;

interface CardButtonProps {
  readonly title: string;
  readonly says: string;
  /** The one that most people take. */
  readonly first?: boolean;
  readonly autoFocus?: boolean;
  readonly onPick: () => void;
}

/** A card that is pressed: what it is, and what comes of it. */
export function CardButton({ title, says, first = false, autoFocus = false, onPick }: CardButtonProps) {
  return (
    <ButtonBase
      autoFocus={autoFocus}
      onClick={onPick}
      sx={{
        ...CARD,
        borderColor: first ? 'var(--carries)' : 'var(--hair)',
        '&:hover, &.Mui-focusVisible': { borderColor: 'var(--ink)' },
      }}
    >
      <Typography component="span" variant="subtitle1" sx={{ display: 'block', color: 'var(--carries)' }}>
        {title}
      </Typography>
      <Typography component="span" variant="body2" color="text.secondary">
        {says}
      </Typography>
    </ButtonBase>
  );
}
