/** About half of the tests by the time they take; whatever is not named here is the other half. */
const FIRST = ['stations', 'find', 'library', 'doors', 'assemble', 'story', 'upgrade', 'team', 'watching'].map(
  (name) => `**/${name}.spec.ts`,
);

/** Two apps side by side, each with a database of its own: tests of one run one after the other. */
export const LANES = [
  { port: 4650, testMatch: FIRST, testIgnore: [] },
  { port: 4660, testMatch: ['**/*.spec.ts'], testIgnore: FIRST },
] as const;

export const urlOf = (port: number): string => `http://127.0.0.1:${port}`;

export const portOf = (baseURL: string | undefined): number => Number(new URL(baseURL ?? '').port);

/** Where the app at this port has its database (its inbox and backups lie beside it), how that was when it was made, and the catalogue it was made from. */
export const filesOf = (port: number) => ({
  db: `.cache/e2e-${port}/app.db`,
  origin: `.cache/e2e-${port}/origin.db`,
  catalogue: `.cache/e2e-${port}/catalogue.json`,
});
