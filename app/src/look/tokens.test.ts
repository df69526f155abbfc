import { DARK, LIGHT, type Palette } from './tokens';

/** Relative luminance and contrast ratio as WCAG 2.2 defines them (W3C Recommendation; formulas from memory). */
function luminance(hex: string): number {
  const [red, green, blue] = [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
};

test('the measure itself: black on white is 21, a colour on itself 1, #767676 on white just enough (W3C technique G18)', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 9);
  expect(contrast('#336699', '#336699')).toBe(1);
  expect(contrast('#767676', '#FFFFFF')).toBeCloseTo(4.54, 2);
});

describe.each([
  ['light', LIGHT],
  ['dark', DARK],
] as [string, Palette][])('%s', (_, palette) => {
  test.each(['ink', 'muted', 'action'] as const)('%s can be read on paper and on surfaces', (name) => {
    for (const ground of [palette.paper, palette.surface])
      expect(contrast(palette[name], ground)).toBeGreaterThanOrEqual(4.5);
  });

  test('text on an action can be read', () => {
    expect(contrast(palette.onAction, palette.action)).toBeGreaterThanOrEqual(4.5);
  });

  test('harm stands out the more the worse it is, and its two worst steps as drawings must', () => {
    const steps = palette.harm.map((colour) => contrast(colour, palette.paper));
    expect([...steps].sort((a, b) => a - b)).toEqual(steps);
    expect(steps[2]).toBeGreaterThanOrEqual(3);
    expect(steps[3]).toBeGreaterThanOrEqual(4.5);
  });
});
