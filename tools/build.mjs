import { app, packages } from './setup.mjs';

packages();
app();
