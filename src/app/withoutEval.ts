import { config } from 'zod';

// The policy of the page forbids to make code from texts; schemas that try it are reported each time the page is loaded.
config({ jitless: true });
