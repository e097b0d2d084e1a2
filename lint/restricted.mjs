/**
 * A rule that refuses each construct that one of its selectors finds, with the message that stands beside it.
 * @param {readonly {readonly selector: string, readonly message: string}[]} refused
 */
export const restricted = (refused) => ({
  meta: { type: 'problem', schema: [] },
  create: (context) =>
    Object.fromEntries(refused.map(({ selector, message }) => [selector, (node) => context.report({ node, message })])),
});
