import { app, bundles, packages } from './setup.mjs';

packages();
app();
bundles();
