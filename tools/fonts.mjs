// Cuts the shipped fonts down to what the interface can show and packs them as WOFF2, into app/public/fonts.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import subsetFont from 'subset-font';

const root = join(import.meta.dirname, '..');
const require = createRequire(join(root, 'app', 'package.json'));
const out = join(root, 'app', 'public', 'fonts');

const range = (from, to) => String.fromCodePoint(...Array.from({ length: to - from + 1 }, (_, i) => from + i));
// Latin with its extensions, punctuation, arrows, currency signs, and what the words of the interface use.
const TEXT = range(0x20, 0x7e) + range(0xa0, 0x17f) + '–—‘’‚“”„…•′″‹›€₣₤₦₩₫₱₹₺₽₿←↑→↓↔≈≠≤≥×÷±−∞▲▼△▽▸▾●○■□✓';

const fonts = [
  ['source-serif', '@expo-google-fonts/source-serif-4/600SemiBold/SourceSerif4_600SemiBold.ttf', TEXT],
  ['source-sans', '@expo-google-fonts/source-sans-3/400Regular/SourceSans3_400Regular.ttf', TEXT],
  ['source-sans-bold', '@expo-google-fonts/source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf', TEXT],
];

const glyphs = JSON.parse(readFileSync(join(root, 'app/src/look/icon-glyphs.json'), 'utf8'));
const missing = [...iconsNamedIn(join(root, 'app', 'src'))].filter((name) => !(name in glyphs));
if (missing.length > 0) throw new Error(`icons that are not in app/src/look/icon-glyphs.json: ${missing.join(', ')}`);

/** Names of icons in the code: without its glyph one would show as a question mark. */
function iconsNamedIn(dir) {
  const named = new Set();
  for (const file of readdirSync(dir, { recursive: true }).filter((one) => one.endsWith('.tsx'))) {
    const code = readFileSync(join(dir, file), 'utf8');
    for (const [, one] of code.matchAll(/\bicon(?:=|: )["']([a-z-]+)["']/g)) named.add(one);
    for (const [, first, second] of code.matchAll(/\bicon=\{[\w.]+ \? '([a-z-]+)' : '([a-z-]+)'\}/g))
      named.add(first).add(second);
  }
  return named;
}
const icons = '@expo/vector-icons/build/vendor/react-native-vector-icons/Fonts/MaterialCommunityIcons.ttf';
fonts.push(['icons', icons, String.fromCodePoint(...Object.values(glyphs))]);

mkdirSync(out, { recursive: true });
for (const [name, file, text] of fonts) {
  const packed = await subsetFont(readFileSync(require.resolve(file)), text, { targetFormat: 'woff2' });
  writeFileSync(join(out, `${name}.woff2`), packed);
}
