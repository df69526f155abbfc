import { readArguments, USAGE } from './arguments';
import { Runner } from './runner';

/** `npm run probe`: runs the probes of a site until it is stopped. */
const log = (line: string) => console.log(`probe: ${line}`);

function options() {
  try {
    return readArguments(process.argv.slice(2), process.env);
  } catch (error) {
    console.error(`${(error as Error).message}\n\n${USAGE}`);
    process.exit(2);
  }
}

const runner = new Runner({ ...options(), log });
const end = () => void runner.stop().then(() => process.exit(0));
process.on('SIGINT', end);
process.on('SIGTERM', end);
await runner.start();
