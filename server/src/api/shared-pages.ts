import { BOARD_LINK_KINDS } from '@toplens/core/boards';
import { briefMarkdown, STATE_WORDS, type HandoffState } from '@toplens/core/handoffs';
import { escapedHtml } from '@toplens/core/words';
import express, { Router, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { marked } from 'marked';
import { deskAnswer } from '../contract/handoffs';
import { hashOfStyle } from '../access/style-hashes';
import { Problem } from '../errors';
import { takeAnswer } from '../outbound/answer';
import type { Database } from '../store/database';
import { findHandoff, type HandoffRow } from '../store/handoffs';
import type { AuditRecords } from '../store/audit-records';
import { openLink, type SharedLinkRow } from '../store/shared-links';
import { checkTexts } from './before';
import { readInput } from './query';

const OPENED_A_MINUTE = 120;

/**
 * Pages for people who have no login: the brief of a handoff, and where its team may answer, a form. They hold no person
 * and lead nowhere else. A link that is unknown, over or revoked says so, and nothing more.
 */
export function sharedPages(database: Database, records: AuditRecords): Router {
  const router = Router();
  router.use(rateLimit({ windowMs: 60_000, limit: OPENED_A_MINUTE }));
  router.use((_request, response, next) => {
    // The secret stands in the address: it goes nowhere else, and nobody keeps it.
    response.set({ 'referrer-policy': 'no-referrer', 'cache-control': 'no-store', 'x-robots-tag': 'noindex' });
    next();
  });

  router.get('/:token', async (request, response, next) => {
    const link = await openLink(database, request.params.token);
    if (link)
      await records.append({
        atMs: Date.now(),
        who: '',
        address: request.ip ?? '',
        what: 'A link was opened without a login',
        about: '/shared',
        detail: JSON.stringify({ link: link.id, kind: link.kind }),
      });
    // A board is drawn by the app, which asks for what it shows by the same secret.
    if (link && isOfBoard(link.kind)) return next('router');
    const opened = await open(database, link, response);
    if (opened) send(response, await pageOf(opened, ''));
  });

  router.post(
    '/:token',
    express.urlencoded({ extended: false, limit: '64kb' }),
    checkTexts,
    async (request, response) => {
      const opened = await open(database, await openLink(database, String(request.params.token)), response);
      if (!opened) return;
      if (opened.link.kind !== 'answer') {
        send(response.status(403), await pageOf(opened, 'This link is to read only.'));
        return;
      }
      try {
        const given = readInput(deskAnswer, { ...(request.body as object), by: opened.handoff.team });
        await takeAnswer(database, opened.handoff, given);
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
        send(response.status(error.status), await pageOf(opened, error.detail));
        return;
      }
      response.redirect(303, request.originalUrl);
    },
  );
  return router;
}

const isOfBoard = (kind: string) => (BOARD_LINK_KINDS as readonly string[]).includes(kind);

interface Opened {
  link: SharedLinkRow;
  handoff: HandoffRow;
}

async function open(
  database: Database,
  link: SharedLinkRow | undefined,
  response: Response,
): Promise<Opened | undefined> {
  const handoff = link && (await findHandoff(database, link.target));
  if (link && handoff) return { link, handoff };
  const words =
    'This link opens nothing: it is over, was revoked, or is not complete. Ask whoever sent it for a new one.';
  send(response.status(404), html('Link is over', `<h1>This link is over</h1><p>${words}</p>`));
  return undefined;
}

async function pageOf({ link, handoff }: Opened, problem: string): Promise<string> {
  // All that came from telemetry is escaped in the Markdown; nothing of it can become markup.
  const brief = await marked.parse(briefMarkdown(handoff.brief, true));
  const state = `<p role="status"><b>${escapedHtml(handoff.team)}</b>: ${STATE_WORDS[handoff.state]}. Read-only until ${link.endsAt.slice(0, 10)}; persons are left out.</p>`;
  const said = problem === '' ? '' : `<p role="alert">${escapedHtml(problem)}</p>`;
  return html(handoff.brief.title, `${said}${state}${link.kind === 'answer' ? formOf(handoff.state) : ''}${brief}`);
}

/** What a team may answer in a state. */
function formOf(state: HandoffState): string {
  const answers = [
    ...(state === 'sent' ? ['<button name="answer" value="taken">Accept</button>'] : []),
    ...(['taken', 'watching', 'inPart', 'notProven'].includes(state)
      ? ['<button name="answer" value="fixReported">Report a fix</button>']
      : []),
    ...(['sent', 'taken', 'watching', 'inPart', 'notProven', 'fixReported'].includes(state)
      ? ['<button name="answer" value="returned">Return it</button>']
      : []),
  ];
  if (answers.length === 0) return '';
  return `<form method="post"><label for="reason">What you want to say; why, when you return it</label><textarea id="reason" name="reason" rows="3" maxlength="2000"></textarea><div>${answers.join('')}</div></form>`;
}

/** Nothing else may style the page, or run in it. */
const send = (response: Response, page: string): Response =>
  response
    .set(
      'content-security-policy',
      `default-src 'none'; style-src ${hashOfStyle(STYLE)}; form-action 'self'; frame-ancestors 'none'; base-uri 'none'`,
    )
    .send(page);

const html = (title: string, body: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex"><title>${escapedHtml(title)} · Top Lens</title><style>${STYLE}</style></head>
<body><main>${body}</main></body></html>`;

const STYLE = `
:root { color-scheme: light dark; }
body { margin: 0; font: 16px/1.5 system-ui, sans-serif; background: light-dark(#fdfcf9, #16181b); color: light-dark(#1b1d20, #e8e6e1); }
main { max-width: 46rem; margin: 0 auto; padding: 1rem; overflow-wrap: anywhere; }
h1 { font-size: 1.4rem; line-height: 1.25; } h2 { font-size: 1.1rem; }
table { border-collapse: collapse; width: 100%; font-size: .9rem; } th, td { text-align: left; padding: .3rem .5rem .3rem 0; border-bottom: 1px solid light-dark(#d9d5cc, #3a3d42); }
blockquote { margin: 0; padding-left: .8rem; border-left: 3px solid light-dark(#d9d5cc, #3a3d42); }
form { display: grid; gap: .5rem; padding: .8rem; border: 1px solid light-dark(#8a857a, #7d7a74); border-radius: .4rem; } form div { display: flex; flex-wrap: wrap; gap: .5rem; }
textarea, button { font: inherit; padding: .5rem; border-radius: .3rem; border: 1px solid light-dark(#77736a, #8d8a84); background: transparent; color: inherit; }
button { min-height: 2.75rem; padding: 0 1rem; cursor: pointer; }
`;
