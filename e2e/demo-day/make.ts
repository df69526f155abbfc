// Run by tools/setup.mjs: makes the demo day that the tests of the interface start from.
import { makeDemoWorld } from './world';

// A Wednesday afternoon, whenever it is made; another moment by `TOPLENS_TEST_MOMENT`.
await makeDemoWorld(Date.parse(process.env.TOPLENS_TEST_MOMENT ?? '2026-11-18T14:20:00Z'));
