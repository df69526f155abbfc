// Tests of core alone, without those that take many seconds: each change runs all tests that reach it.
const { projects } = require('./jest.config.cjs');
const { displayName, ...core } = projects.find((project) => project.displayName === 'core');

const SLOW = ['judgement\\.test', 'normal/normal\\.test', 'history\\.test', 'field\\.test', 'read-plan\\.test'];

module.exports = { ...core, testTimeout: 60_000, testPathIgnorePatterns: ['/node_modules/', ...SLOW] };
