import express from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { escapedHtml } from '@toplens/core/words';
import { HERE, page } from './page';

/**
 * A stand-in for the teams' desk: takes handoffs as CloudEvents 1.0 over HTTP and answers to the address given in them.
 * It knows its teams; what is not for one of them, or comes without any attempt to look at, it returns with a reason.
 */
export interface DeskOptions {
  port: number;
  token: string;
  teams: readonly string[];
  /** a team member looks at a new ticket after so long; 0: nobody does by themselves */
  takesAfterMs: number;
}

export interface Ticket {
  id: string;
  team: string;
  title: string;
  note: string;
  state: 'new' | Answer;
  /** what its team said last */
  said: string;
  answerUrl: string;
  received: number;
}

const ANSWERS = ['taken', 'returned', 'moved', 'fixReported'] as const;
export type Answer = (typeof ANSWERS)[number];
const isAnswer = (text: string): text is Answer => (ANSWERS as readonly string[]).includes(text);

interface HandoffEvent {
  specversion?: string;
  id?: string;
  data?: {
    team: string;
    note: string;
    answerUrl: string;
    brief: { title: string; samples: unknown[]; bill: { name: string; quantity: number }[] };
  };
}

export interface RunningDesk {
  url: string;
  tickets: Map<string, Ticket>;
  close: () => Promise<void>;
}

const STATE_WORDS: Readonly<Record<Ticket['state'], string>> = {
  new: 'new',
  taken: 'accepted',
  returned: 'returned',
  moved: 'moved',
  fixReported: 'fix reported',
};

/** A ticket with what its team can answer now. */
function ticketHtml({ id, title, team, state, note, said }: Ticket): string {
  const form = (answer: Answer, words: string, fields = '') =>
    `<form method="post" action="/tickets/${encodeURIComponent(id)}/${answer}">${fields}<button>${words}</button></form>`;
  const field = (name: string, label: string) =>
    `<input name="${name}" aria-label="${label}" placeholder="${label}" required>`;
  const isOpen = state === 'new' || state === 'taken' || state === 'fixReported';
  const forms = [
    state === 'new' ? form('taken', 'Accept') : '',
    state === 'taken' || state === 'fixReported' ? form('fixReported', 'Report a fix') : '',
    isOpen ? form('returned', 'Return it', field('reason', 'Why it is not ours')) : '',
    isOpen ? form('moved', 'Move it', field('team', 'To which team')) : '',
  ];
  return `<article><h2>${escapedHtml(title)}</h2><p class="said">${escapedHtml(team)} · ${STATE_WORDS[state]}${said === '' ? '' : `: ${escapedHtml(said)}`}</p>${note === '' ? '' : `<p>${escapedHtml(note)}</p>`}${forms.join('')}</article>`;
}

export async function startDesk(options: DeskOptions): Promise<RunningDesk> {
  const tickets = new Map<string, Ticket>();
  const app = express();
  app.use(express.json({ type: ['application/json', 'application/cloudevents+json'], limit: '2mb' }));

  app.use(express.urlencoded({ extended: false }));

  const answer = async (
    ticket: Ticket,
    state: Answer,
    reason: string,
    more: { team?: string; fixedAt?: string } = {},
  ) => {
    const response = await fetch(ticket.answerUrl, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${options.token}` },
      body: JSON.stringify({ answer: state, reason, by: ticket.team, ...more }),
    });
    if (!response.ok) throw new Error(`the answer was refused: ${response.status} ${await response.text()}`);
    ticket.state = state === 'moved' ? 'new' : state;
    ticket.team = more.team ?? ticket.team;
    ticket.said = reason;
  };

  const look = (ticket: Ticket, event: HandoffEvent) => {
    const known = options.teams.includes(ticket.team);
    const proof =
      (event.data?.brief.samples.length ?? 0) > 0 ||
      event.data?.brief.bill.some((line) => line.name === 'missing' && line.quantity > 0);
    const reason = !known
      ? `nobody here is called ${ticket.team}`
      : !proof
        ? 'no attempt to look at: please send one'
        : '';
    return answer(ticket, reason ? 'returned' : 'taken', reason);
  };

  app.post('/handoffs', (request, response) => {
    const event = request.body as HandoffEvent;
    if (event.specversion !== '1.0' || !event.id || !event.data?.answerUrl) {
      response.status(400).json({ detail: 'expected a CloudEvent 1.0 with an answerUrl in its data' });
      return;
    }
    const before = tickets.get(event.id);
    if (before) before.received++;
    else {
      const { team, note, answerUrl, brief } = event.data;
      const ticket: Ticket = {
        id: event.id,
        team,
        title: brief.title,
        note,
        state: 'new',
        said: '',
        answerUrl,
        received: 1,
      };
      tickets.set(event.id, ticket);
      if (options.takesAfterMs > 0)
        setTimeout(
          () => void look(ticket, event).catch((error: Error) => console.error(`desk: ${error.message}`)),
          options.takesAfterMs,
        );
    }
    response.status(202).end();
  });

  app.get('/tickets', (_request, response) => {
    response.json([...tickets.values()]);
  });

  app.post('/tickets/:id/:state', async (request, response) => {
    const ticket = tickets.get(request.params.id);
    const { state } = request.params;
    if (!ticket || !isAnswer(state)) {
      response.status(404).end();
      return;
    }
    const { reason = '', team, fixedAt } = (request.body ?? {}) as { reason?: string; team?: string; fixedAt?: string };
    try {
      await answer(ticket, state, reason, { ...(team && { team }), ...(fixedAt && { fixedAt }) });
    } catch (error) {
      if (!request.is('application/x-www-form-urlencoded')) throw error;
      response
        .status(409)
        .send(page('Not taken', `<p>${escapedHtml((error as Error).message)}</p><p><a href="/">Back</a></p>`));
      return;
    }
    if (request.is('application/x-www-form-urlencoded')) response.redirect(303, '/');
    else response.json(ticket);
  });

  app.get('/', (_request, response) => {
    const newest = [...tickets.values()].reverse();
    response.send(
      page('Team desk', `<p class="said">${HERE}</p>${newest.map(ticketHtml).join('') || '<p>No ticket yet.</p>'}`),
    );
  });

  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(options.port, '127.0.0.1', (error?: Error) =>
      error ? reject(error) : resolve(listening),
    );
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/handoffs`,
    tickets,
    close: () => {
      server.closeAllConnections();
      return new Promise((resolve) => server.close(() => resolve()));
    },
  };
}
