/** Names that hold money in whole minor units: `minor`, `minors`, `priceMinor`, `landedMinor` … */
const isMoneyName = (name) => /^minors?$|Minors?$/.test(name);

/** The name that an expression goes by: of a variable, a member, an optional member, a default. */
function nameOf(node) {
  switch (node?.type) {
    case 'Identifier':
      return node.name;
    case 'MemberExpression':
      return node.computed ? undefined : nameOf(node.property);
    case 'ChainExpression':
    case 'TSNonNullExpression':
    case 'TSAsExpression':
      return nameOf(node.expression);
    case 'LogicalExpression':
      return nameOf(node.left);
    default:
      return undefined;
  }
}

const isMoney = (node) => {
  const name = nameOf(node);
  return name !== undefined && isMoneyName(name);
};

const isFraction = (node) =>
  node?.type === 'Literal' && typeof node.value === 'number' && !Number.isInteger(node.value);

/**
 * Money is a whole number of minor units: it is not multiplied, divided or given a fraction outside `core/units/money.ts`,
 * where each way of rounding has a name.
 */
export default {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      arithmetic:
        '"{{name}}" is money in whole minor units: {{operator}} makes a fraction of it; use timesCount, timesFigure, percentOf, shareOut or ratioOf of core/units/money',
      fraction: '"{{name}}" is money in whole minor units and cannot be {{value}}',
    },
  },
  create(context) {
    const fraction = (name, value) => {
      if (name !== undefined && isMoneyName(name) && isFraction(value))
        context.report({ node: value, messageId: 'fraction', data: { name, value: String(value.value) } });
    };
    return {
      BinaryExpression(node) {
        if (!['*', '/', '%', '**'].includes(node.operator)) return;
        const money = [node.left, node.right].find(isMoney);
        if (money)
          context.report({ node, messageId: 'arithmetic', data: { name: nameOf(money), operator: node.operator } });
      },
      AssignmentExpression(node) {
        if (['*=', '/=', '%=', '**='].includes(node.operator) && isMoney(node.left))
          context.report({ node, messageId: 'arithmetic', data: { name: nameOf(node.left), operator: node.operator } });
        fraction(nameOf(node.left), node.right);
      },
      VariableDeclarator: (node) => fraction(nameOf(node.id), node.init),
      Property: (node) => fraction(nameOf(node.key), node.value),
    };
  },
};
