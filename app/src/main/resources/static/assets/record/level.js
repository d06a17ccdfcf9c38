// The level meter on the page.
import { meterShare } from './microphone.js';

const LOUD_SHARE = 0.97;
const WIDTH = 296;

/** Shows the loudest sample of late, 0 to 1; answers its share of the meter, and whether it is too loud. */
export function showLevel(loudest) {
  const meter = document.getElementById('level');
  const share = meterShare(loudest);
  const loud = share > LOUD_SHARE;
  meter.querySelector('.bar').setAttribute('x2', share * WIDTH);
  meter.setAttribute('aria-valuenow', Math.round(share * 100));
  meter.classList.toggle('loud', loud);
  return { share, loud };
}
