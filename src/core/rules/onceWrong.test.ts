import { describe, expect, test } from 'vitest';
import { ONCE_WRONG } from '../tests/ruleCasesWork';
import { assessed } from '../tests/world';

describe('machines that once passed or were refused wrongly, and their neighbours', () => {
  test.each(ONCE_WRONG.map((entry) => [`${entry.rule}: ${entry.what}`, entry] as const))(
    '%s',
    (_, { rule, change, says }) => {
      const checks = assessed(change).checks.filter((check) => check.rule === rule);
      if (says === undefined) expect(checks).toEqual([]);
      else expect(checks).toEqual(expect.arrayContaining([expect.objectContaining(says)]));
    },
  );
});
