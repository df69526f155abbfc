import { count, counted, escapedHtml, percent } from '../words';
import type { StageTold, Utterance } from './conversations';
import { gsmCut, gsmLength, gsmText, LONGEST_MESSAGE } from './gsm-text';
import type { Subject } from './rules';

/** What is sent, in the forms of all ways. */
export interface AlertMessage {
  subject: string;
  text: string;
  html: string;
  /** fits one short message */
  short: string;
}

const STAGE_WORDS: Readonly<Record<Exclude<StageTold, 'digest'>, string>> = {
  opened: '',
  worse: 'Worse: ',
  handedOver: 'Handed over: ',
  over: 'Over: ',
};

/** "2,510 harm points an hour, 519 people hurt, P1, since 09:42 UTC" */
export function factsWords({ points, people, priority, sinceMs, chance, kind, application }: Subject): string {
  return [
    points > 0 && `${count(points)} harm points an hour`,
    people > 0 && `${counted(Math.round(people), 'person', 'people')} hurt`,
    kind === 'promise' && `${percent(chance)} chance that it breaks`,
    priority,
    application,
    // A promise is in danger over its period, and since no moment.
    kind !== 'promise' && `since ${new Date(sinceMs).toISOString().slice(11, 16)} UTC`,
  ]
    .filter(Boolean)
    .join(', ');
}

/**
 * A message in plain text, HTML and as a short one.
 *
 * @param link opens it at its moment
 */
export function alertMessage({ stage, subjects, rule }: Utterance, link: string): AlertMessage {
  const [first] = subjects as [Subject];
  const title =
    stage === 'digest'
      ? `${counted(subjects.length, 'trouble')} at once: ${first.title}, and ${subjects.length - 1} more`
      : `${STAGE_WORDS[stage]}${first.title}${stage === 'handedOver' ? ` (${first.withTeam})` : ''}`;
  const lines = subjects.map((one) => ({ title: one.title, facts: factsWords(one) }));
  const why = rule === '' ? '' : `You get this by the rule “${rule}”.`;
  const text = [
    ...(stage === 'digest' ? lines.map(({ title: one, facts }) => `- ${one}\n  ${facts}`) : [lines[0]?.facts]),
    '',
    `Open it: ${link}`,
    ...(why === '' ? [] : ['', why]),
  ].join('\n');
  return {
    subject: title,
    text,
    html: htmlOf(title, lines, { link, why, isDigest: stage === 'digest' }),
    short: shortOf(title, first, link),
  };
}

/**
 * A mail as HTML, for phones and wide screens, light and dark.
 *
 * @param body HTML: whatever came from elsewhere is escaped in it
 */
export const mailHtml = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="color-scheme" content="light dark"><title>${escapedHtml(title)}</title></head><body style="font:16px/1.5 sans-serif;max-width:42em;margin:1em;overflow-wrap:anywhere"><h1 style="font-size:1.2em">${escapedHtml(title)}</h1>${body}</body></html>`;

/**
 * A message of a few sentences and one link.
 *
 * @param paragraphs plain text
 * @param door what the link is called
 * @param short what a short message says in front of the link
 */
export const messageWithLink = (
  { subject, paragraphs, door, short }: { subject: string; paragraphs: readonly string[]; door: string; short: string },
  link: string,
): AlertMessage => ({
  subject,
  text: [...paragraphs, `${door}: ${link}`].join('\n\n'),
  html: mailHtml(
    subject,
    `${paragraphs.map((one) => `<p>${escapedHtml(one)}</p>`).join('')}<p><a href="${escapedHtml(link)}">${escapedHtml(door)}</a></p>`,
  ),
  short: `${short} ${link}`,
});

function htmlOf(
  title: string,
  lines: readonly { title: string; facts: string }[],
  { link, why, isDigest }: { link: string; why: string; isDigest: boolean },
): string {
  const body = isDigest
    ? `<ul>${lines.map((one) => `<li><b>${escapedHtml(one.title)}</b><br>${escapedHtml(one.facts)}</li>`).join('')}</ul>`
    : `<p>${escapedHtml(lines[0]?.facts ?? '')}</p>`;
  const reason = why === '' ? '' : `<p><small>${escapedHtml(why)}</small></p>`;
  return mailHtml(title, `${body}<p><a href="${escapedHtml(link)}">Open it at its moment</a></p>${reason}`);
}

/** Title, what counts most, and the link, in the places of one short message: the title gives way. */
function shortOf(title: string, { points, people, priority }: Subject, link: string): string {
  const facts = gsmText(
    [priority, points > 0 && `${count(points)} pts/h`, people > 0 && `${count(people)} people`]
      .filter(Boolean)
      .join(' '),
  );
  const tail = gsmText(` ${link}`);
  const head = facts === '' ? '' : `${facts}: `;
  const places = LONGEST_MESSAGE - gsmLength(head) - gsmLength(tail);
  return `${head}${gsmCut(gsmText(title), Math.max(3, places))}${tail}`;
}
