import createIconSet from '@expo/vector-icons/createIconSet';
import glyphs from './icon-glyphs.json';

/**
 * Icons of the Material Design set, cut down at build to the few that are used: `icon-glyphs.json` names them, and
 * tools/fonts.mjs makes the font from it. Which file the font is in is said in public/index.html, as of all fonts.
 */
const Set = createIconSet(glyphs, 'TopLensIcons', '/fonts/icons.woff2');

export function Icon({ name, color, size }: { name: string; color: string; size: number }) {
  // Decoration: what an icon means is always said in words beside it.
  return <Set name={name as keyof typeof glyphs} color={color} size={size} aria-hidden selectable={false} />;
}
