import express from 'express';
import { simpleParser } from 'mailparser';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import { escapedHtml } from '@toplens/core/words';
import { HERE, page } from './page';

/** A mail as it came; the same one twice is kept once, by its key. */
export interface Mail {
  key: string;
  to: string;
  subject: string;
  text: string;
  html: string;
  /** the mail that began its conversation */
  references: string;
  atMs: number;
  /** how often it came */
  received: number;
}

export interface RunningMailbox {
  smtpUrl: string;
  url: string;
  mails: Mail[];
  close: () => Promise<void>;
}

/** A stand-in for everybody's mailbox: takes any mail by SMTP and shows what came. */
export async function startMailbox({ smtpPort, port }: { smtpPort: number; port: number }): Promise<RunningMailbox> {
  const mails: Mail[] = [];
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: ({ address }, _session, done) =>
      // A mailbox that is no more: whoever writes to it is told at once.
      done(address.startsWith('nobody@') ? Object.assign(new Error('no such mailbox'), { responseCode: 550 }) : null),
    onData: (stream, session, done) => {
      simpleParser(stream).then((parsed) => {
        const header = parsed.headers.get('x-toplens-key');
        const key = typeof header === 'string' ? header : (parsed.messageId ?? String(mails.length));
        const known = mails.find((mail) => mail.key === key);
        if (known) known.received++;
        else
          mails.push({
            key,
            to: session.envelope.rcptTo.map(({ address }) => address).join(', '),
            subject: parsed.subject ?? '',
            text: parsed.text ?? '',
            html: typeof parsed.html === 'string' ? parsed.html : '',
            references: [parsed.references ?? []].flat().join(' '),
            atMs: Date.now(),
            received: 1,
          });
        done();
      }, done);
    },
  });
  await new Promise<void>((resolve, reject) => {
    smtp.on('error', reject);
    smtp.listen(smtpPort, '127.0.0.1', resolve);
  });
  // A sender that goes away in the middle is no reason to end.
  smtp.removeAllListeners('error').on('error', () => undefined);
  const app = express();
  app.get('/mails', (_request, response) => {
    response.json(mails);
  });
  app.get('/mails/:key', (request, response) => {
    const mail = mails.find(({ key }) => key === request.params.key);
    if (mail) response.type('html').send(mail.html || `<pre>${escapedHtml(mail.text)}</pre>`);
    else response.status(404).end();
  });
  app.get('/', (_request, response) => {
    const newest = [...mails]
      .reverse()
      .map(
        ({ key, to, subject, text, atMs }) =>
          `<article><h2>${escapedHtml(subject)}</h2><p class="said">to ${escapedHtml(to)} · ${new Date(atMs).toISOString().slice(0, 16).replace('T', ' ')} UTC · <a href="/mails/${encodeURIComponent(key)}">as HTML</a></p><pre>${linked(escapedHtml(text))}</pre></article>`,
      );
    response.send(page('Mailbox', `<p class="said">${HERE}</p>${newest.join('') || '<p>No mail yet.</p>'}`));
  });
  const http = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(port, '127.0.0.1', (error?: Error) => (error ? reject(error) : resolve(listening)));
  });
  return {
    smtpUrl: `smtp://127.0.0.1:${(smtp.server.address() as AddressInfo).port}`,
    url: `http://127.0.0.1:${(http.address() as AddressInfo).port}`,
    mails,
    close: async () => {
      http.closeAllConnections();
      await Promise.all([
        new Promise<void>((resolve) => http.close(() => resolve())),
        new Promise<void>((resolve) => smtp.close(() => resolve())),
      ]);
    },
  };
}

const linked = (text: string): string => text.replace(/https?:\/\/[^\s<)]+/g, (url) => `<a href="${url}">${url}</a>`);
