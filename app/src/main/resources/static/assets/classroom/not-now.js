// Something doesn't work just now: a child who can't read is told.
import { sayName } from './names.js';
import { served } from '../platform/served.js';

sayName(served('/assets/player/prompts/ask_your_teacher.mp3'));
