import { startMailbox } from './stand-ins/mailbox';

/** `node --import tsx scenario/src/mailbox-main.ts SMTP_PORT PORT`: everybody's mailbox of the demo. */
const [smtpPort = '4411', port = '4412'] = process.argv.slice(2);
const mailbox = await startMailbox({ smtpPort: Number(smtpPort), port: Number(port) });
console.log(`mailbox at ${mailbox.url}, takes mail at ${mailbox.smtpUrl}`);
