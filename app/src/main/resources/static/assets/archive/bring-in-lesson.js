// Saved lessons come back: sent, looked through by the server, and then opened.
import { takeIn } from '../platform/arriving.js';
import { served } from '../platform/served.js';

takeIn({
  kind: 'lesson',
  largestBytes: 4 * 1024 ** 3,
  addresses: (files) => files.map(() => served('/bring-in-lesson')),
  afterwards: (places, troubles) => (troubles.length > 0 ? null : places.length === 1 ? places[0] : served('/')),
  whenSent: 'listening',
});
