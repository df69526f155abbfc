import { startMessages } from './stand-ins/messages';

/** `node --import tsx scenario/src/messages-main.ts PORT`: the short messages of the demo. */
const [port = '4413'] = process.argv.slice(2);
const messages = await startMessages({ port: Number(port) });
console.log(`short messages at ${new URL('/', messages.url).href}`);
