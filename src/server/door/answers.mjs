// plain, because the server in front of the framework asks it before anything is compiled

/** Methods that are known: those that read, and those that change something. */
export const READS = ['GET', 'HEAD'];
export const WRITES = ['POST', 'DELETE'];

/** Headers of every answer besides the policy. */
export const HEADERS = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'permissions-policy':
    'camera=(), microphone=(), geolocation=(), usb=(), serial=(), hid=(), payment=(), display-capture=(), browsing-topics=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};
