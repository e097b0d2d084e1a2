import { createSvgIcon } from '@mui/material/utils';

// The few icons of the house, drawn here on a square of 24: a package of icons is half of all files to install.

const line = {
  fill: 'none',
  stroke: 'currentColor',
  strokeWidth: 2,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;

const dots = (at: readonly (readonly [x: number, y: number])[], r: number) =>
  at.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} />);

export const MoreIcon = createSvgIcon(
  dots(
    [
      [6, 12],
      [12, 12],
      [18, 12],
    ],
    2,
  ),
  'More',
);

export const GripIcon = createSvgIcon(
  dots(
    [9, 15].flatMap((x) => [6, 12, 18].map((y) => [x, y] as const)),
    1.75,
  ),
  'Grip',
);

const stepBack = <path {...line} d="M8.5 5 4 9.5 8.5 14M4.5 9.5H14a5 5 0 0 1 0 10H8" />;

export const UndoIcon = createSvgIcon(stepBack, 'Undo');

export const RedoIcon = createSvgIcon(<g transform="matrix(-1 0 0 1 24 0)">{stepBack}</g>, 'Redo');

export const HelpIcon = createSvgIcon(
  <>
    <circle {...line} cx={12} cy={12} r={9} />
    <path {...line} d="M9.25 9.75a2.75 2.75 0 1 1 4.4 2.2c-1 .75-1.65 1.2-1.65 2.3" />
    <circle cx={12} cy={17} r={1.25} />
  </>,
  'Help',
);

/** Half light and half dark: as the system has it. */
export const SystemThemeIcon = createSvgIcon(
  <>
    <circle {...line} cx={12} cy={12} r={8.5} />
    <path d="M12 3.5a8.5 8.5 0 0 1 0 17z" />
  </>,
  'SystemTheme',
);

export const LightThemeIcon = createSvgIcon(
  <>
    <circle {...line} cx={12} cy={12} r={4} />
    <path
      {...line}
      d="M12 2v2.5M12 19.5V22M2 12h2.5M19.5 12H22M4.9 4.9l1.8 1.8M17.3 17.3l1.8 1.8M4.9 19.1l1.8-1.8M17.3 6.7l1.8-1.8"
    />
  </>,
  'LightTheme',
);

export const DarkThemeIcon = createSvgIcon(
  <path {...line} d="M19.5 14.5A8.5 8.5 0 1 1 9.5 4.5a7 7 0 0 0 10 10z" />,
  'DarkTheme',
);
