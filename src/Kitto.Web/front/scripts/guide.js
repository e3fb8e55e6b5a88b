// What a client's pages run: the guide, her questions, and what she taps when it burns.
import Alpine from '@alpinejs/csp';
import './shell.js';
import './guide/burns.js';
import './guide/local.js';
import './guide/moment.js';
import './guide/head-pictures.js';
import './guide/tools.js';
import './guide/zones.js';
import './guide/offline.js';
import begun from './guide/begun.js';
import freshIds from './guide/ids.js';
import questions from './questions.js';
import reading from './guide/reading.js';
import run from './guide/run.js';

Alpine.data('questions', questions);
Alpine.data('reading', reading);
Alpine.data('run', run);
freshIds();
addEventListener('pageshow', event => event.persisted && freshIds());
await begun();
Alpine.start();
