import { mailHtml } from '@toplens/core/alerts';
import { briefMarkdown } from '@toplens/core/handoffs';
import { marked } from 'marked';
import type { HandoffRow } from '../store/handoffs';
import type { Outgoing } from './channels';

/** A handoff as a mail: the brief, without persons, and where to answer. Its id lets the receiver drop doubles. */
export function handoffMail(handoff: HandoffRow, address: string, answerLink: string): Outgoing {
  const brief = briefMarkdown(handoff.brief, true);
  const answer = `Accept it, return it with a reason, or report a fix: ${answerLink}`;
  return {
    id: handoff.id,
    path: `/handoff/${handoff.id}`,
    conversation: null,
    stage: 'handoff',
    receiver: handoff.team,
    channel: 'mail',
    address,
    message: {
      subject: `For ${handoff.team}: ${handoff.brief.title}`,
      text: `${answer}\n\n${brief}`,
      // All that came from telemetry is escaped in the Markdown; nothing of it can become markup.
      html: mailHtml(
        `For ${handoff.team}`,
        `<p><a href="${answerLink}">Accept it, return it with a reason, or report a fix</a></p>${marked.parse(brief, { async: false })}`,
      ),
      short: '',
    },
    madeMs: Date.parse(handoff.createdAt),
  };
}
