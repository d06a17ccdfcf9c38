// What a kind of question does on a page, by its name, and the part of an answer that it fills.
import { bindAreas } from './areas.js';
import { bindChoices } from './choices.js';
import { bindDrawing } from './drawing.js';
import { bindOrder } from './order.js';
import { bindPairs } from './pairs.js';
import { bindPicture } from './picture.js';
import { bindReadBack } from './read-back.js';
import { bindSpeaking } from './speaking.js';
import { bindTyped } from './typed.js';

const typed = { part: 'typed', binds: [bindTyped, bindReadBack] };
const chosen = { part: 'chosen', binds: [bindChoices] };

export const KINDS = {
  'one-choice': chosen,
  'several-choices': chosen,
  'short-words': typed,
  number: typed,
  order: { part: 'chosen', binds: [bindOrder] },
  pairs: { part: 'pairs', binds: [bindPairs] },
  areas: { part: 'pressed', binds: [bindAreas] },
  'long-text': typed,
  spoken: { part: 'spoken', binds: [bindSpeaking] },
  drawing: { part: 'drawn', binds: [bindDrawing] },
  picture: { part: 'picture', binds: [bindPicture] },
};

/** The ways in which a place may be answered, by name; its own kind is one of them. */
export const waysOf = (place) => place.dataset.ways.split(' ');

/** Binds a place to all ways in which it may be answered. */
export function bindKinds(place, answering) {
  waysOf(place).forEach((way) => KINDS[way].binds.forEach((bind) => bind(place, answering)));
}
