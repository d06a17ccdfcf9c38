// Papers that come in: one is looked over at once, several wait in the list of what came in.
import { takeIn } from '../platform/arriving.js';
import { newId } from '../platform/new-id.js';
import { served } from '../platform/served.js';

const { lesson } = document.querySelector('.bring-in').dataset;

takeIn({
  kind: 'paper',
  largestBytes: 100 * 1024 ** 2,
  addresses: (files) => files.map((file) => served(`/lessons/${lesson}/papers/${newId()}?name=${encodeURIComponent(file.name)}`)),
  afterwards: (places, troubles) => (troubles.length > 0 ? null : places.length === 1 ? places[0] : window.location.pathname),
});
