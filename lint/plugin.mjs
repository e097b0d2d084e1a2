// What this project refuses beside what every project does.
import { INTERFACE } from './interface.mjs';
import { restricted } from './restricted.mjs';
import { WAITING } from './waiting.mjs';
import wholeMoney from './wholeMoney.mjs';

export default {
  meta: { name: 'vane' },
  rules: { 'whole-money': wholeMoney, interface: restricted(INTERFACE), waiting: restricted(WAITING) },
};
