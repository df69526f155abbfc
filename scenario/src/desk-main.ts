import { readFileSync } from 'node:fs';
import { startDesk } from './stand-ins/desk';

/** `node --import tsx scenario/src/desk-main.ts PORT SETTINGS_FILE`: the teams are those that own something. */
const [port = '4410', settingsFile = 'config/pellwick.json'] = process.argv.slice(2);
const { ownership } = JSON.parse(readFileSync(settingsFile, 'utf8')) as { ownership: { team: string }[] };
const desk = await startDesk({
  port: Number(port),
  token: process.env.TOPLENS_DESK_TOKEN ?? '',
  teams: [...new Set(ownership.map((rule) => rule.team))],
  takesAfterMs: Number(process.env.TOPLENS_DESK_TAKES_AFTER_MS ?? 4000),
});
console.log(`team desk at ${desk.url}`);
