import { escapedHtml } from '@toplens/core/words';

/** A plain page of a stand-in, for phones and wide screens, light and dark. */
export const page = (title: string, body: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapedHtml(title)}</title><style>
:root { color-scheme: light dark; }
body { margin: 0; font: 16px/1.45 system-ui, sans-serif; background: light-dark(#fff, #17181a); color: light-dark(#1c1c1c, #e6e6e6); }
main { max-width: 52rem; margin: 0 auto; padding: 1rem; overflow-wrap: anywhere; }
h1 { font-size: 1.3rem; } h2 { font-size: 1.05rem; margin: 0; }
article { border-top: 1px solid light-dark(#ccc, #444); padding: .8rem 0; }
p { margin: .3rem 0; } .said { color: light-dark(#555, #aaa); font-size: .9rem; } pre { white-space: pre-wrap; margin: .3rem 0; }
form { display: flex; flex-wrap: wrap; gap: .5rem; align-items: center; margin-top: .4rem; }
input { flex: 1 1 12rem; min-width: 0; } input, button { font: inherit; min-height: 2.75rem; padding: 0 .8rem; border: 1px solid light-dark(#777, #888); border-radius: .3rem; background: transparent; color: inherit; }
button { cursor: pointer; }
</style></head><body><main><h1>${escapedHtml(title)}</h1>${body}</main></body></html>`;

/** Stands on each page. */
export const HERE = 'This is a stand-in that ships with Top Lens: everything in it is invented.';
