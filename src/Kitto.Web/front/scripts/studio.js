// What a colourist's pages run.
import Alpine from '@alpinejs/csp';
import './shell.js';
import listen from './alarms.js';
import finder from './finder.js';
import passkeys from './passkey.js';
import questions from './questions.js';
import sitting from './sitting/sitting.js';

Alpine.data('finder', finder);
Alpine.data('questions', questions);
Alpine.data('sitting', sitting);
Alpine.start();
listen();
passkeys();
