import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What a Content-Security-Policy allows a style by that stands in a page (CSP level 3, 2.3.1). */
export const hashOfStyle = (style: string): string => `'sha256-${createHash('sha256').update(style).digest('base64')}'`;

/**
 * Of the styles in the page of the app, and of the empty one: React Native's web target makes an empty element and fills
 * it by script, rule by rule.
 *
 * @param appDir where the built app is; '' without one
 */
export function styleHashes(appDir: string): string[] {
  const page = join(appDir, 'index.html');
  const html = appDir !== '' && existsSync(page) ? readFileSync(page, 'utf8') : '';
  return ['', ...[...html.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, style = '']) => style)].map(
    hashOfStyle,
  );
}
