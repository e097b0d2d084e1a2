/** What waits for an answer: the core computes, and leaves that to whoever calls it. */
export const WAITING = [
  ':function[async=true]',
  'AwaitExpression',
  'ImportExpression',
  'Identifier[name="Promise"]',
].map((selector) => ({
  selector,
  message: 'Nothing in the core waits: it computes, step by step where it takes long, and whoever calls it waits.',
}));
