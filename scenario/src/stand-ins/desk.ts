import express from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

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
  state: 'new' | 'taken' | 'returned' | 'fixReported';
  answerUrl: string;
  received: number;
}

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

export async function startDesk(options: DeskOptions): Promise<RunningDesk> {
  const tickets = new Map<string, Ticket>();
  const app = express();
  app.use(express.json({ type: ['application/json', 'application/cloudevents+json'], limit: '2mb' }));

  const answer = async (ticket: Ticket, state: 'taken' | 'returned' | 'fixReported', reason: string) => {
    const response = await fetch(ticket.answerUrl, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${options.token}` },
      body: JSON.stringify({ answer: state, reason, by: ticket.team }),
    });
    if (!response.ok) throw new Error(`the answer was refused: ${response.status} ${await response.text()}`);
    ticket.state = state;
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
      const ticket: Ticket = { id: event.id, team, title: brief.title, note, state: 'new', answerUrl, received: 1 };
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
    if (!ticket || (state !== 'taken' && state !== 'returned' && state !== 'fixReported')) {
      response.status(404).end();
      return;
    }
    await answer(ticket, state, (request.body as { reason?: string } | undefined)?.reason ?? '');
    response.json(ticket);
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
