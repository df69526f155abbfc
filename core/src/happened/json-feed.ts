import type { Happening } from './happening';

/**
 * What happened as a JSON Feed 1.1 (jsonfeed.org/version/1.1).
 *
 * @param home address of the interface, without a slash at the end
 * @param feed address of the feed itself
 */
export const jsonFeed = (all: readonly Happening[], home: string, feed: string): object => ({
  version: 'https://jsonfeed.org/version/1.1',
  title: 'Top Lens: what happened',
  home_page_url: `${home}/happened`,
  feed_url: feed,
  items: all.map(({ id, kind, atMs, title, application, team, path }) => ({
    id: `${home}/happened#${id}`,
    url: `${home}${path}`,
    title,
    content_text: [title, application, team].filter(Boolean).join(' · '),
    date_published: new Date(atMs).toISOString(),
    tags: [kind, application, team].filter(Boolean),
  })),
});
