import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import { count, times } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { FONT, SPACE } from '@/look/tokens';
import { freeLabels } from './free-labels';

/** A country, or a part of one, and how people fare there. */
export interface PlaceFigure {
  /** ISO 3166 */
  code: string;
  name: string;
  views: number;
  /** against the rest: 1 is alike, undefined not known */
  ratio: number | undefined;
}

export interface PlaceShape {
  /** ISO 3166; '' for what has none */
  code: string;
  path: string;
  /** where its circle stands; undefined outside the drawing */
  centre: [number, number] | undefined;
}

export interface DrawnMap {
  shapes: PlaceShape[];
  /** codes for which the map has no shape: what is too small for it, and what nobody knows */
  without: string[];
}

export type Figures = {
  places: readonly PlaceFigure[];
  /** what the circles count */
  unit?: string;
  /** what the tone tells: "loads slower than elsewhere" */
  toneWords: string;
  /** a place that is tapped narrows everything to it; left out where nothing can be narrowed */
  onChoose?: (code: string) => void;
};

export type Props = Figures & {
  /** a stable function: the map, drawn so that these codes are in view */
  draw: (codes: readonly string[], width: number, height: number) => DrawnMap;
  /** what is drawn, in words */
  label: string;
  /** of a code, as it stands at its circle */
  shortOf?: (code: string) => string;
};

const HEIGHT = 260;
/** Radius of the largest circle while there are few; many are smaller, or Europe would be one of them. */
const LARGEST = 30;
const FEW = 8;
/** Target size of WCAG 2.2, 2.5.8. */
const SMALLEST_TOUCH = 24;
/** Tones from alike to much worse than the rest. */
const STEPS = [1.1, 1.3, 1.7];

const stepOf = (ratio: number | undefined) => STEPS.filter((step) => (ratio ?? 1) >= step).length as 0 | 1 | 2 | 3;

/**
 * Places with circles: area by views, tone by how much worse than elsewhere. The list beside it says the same in words.
 */
export function CircleMap({
  places,
  unit = 'views',
  toneWords,
  onChoose,
  draw,
  label,
  shortOf = (code) => code,
}: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(340);
  const codes = places.map(({ code }) => code).join();
  const { shapes, without } = useMemo(
    () => draw(codes.split(',').filter(Boolean), width, HEIGHT),
    [codes, draw, width],
  );
  const most = Math.max(1, ...places.map(({ views }) => views));
  const figures = new Map(places.map((place) => [place.code, place]));
  const tone = (ratio: number | undefined) => palette.harm[stepOf(ratio)];
  const largest = LARGEST * Math.min(1, Math.sqrt(FEW / Math.max(1, places.length)));
  const circles = shapes.flatMap(({ code, centre }) => {
    const figure = figures.get(code);
    return figure && centre
      ? [{ ...figure, centre, radius: Math.max(5, largest * Math.sqrt(figure.views / most)) }]
      : [];
  });
  // The worst are named first, then where most views come from.
  const labels = freeLabels(
    [...circles]
      .sort((a, b) => stepOf(b.ratio) - stepOf(a.ratio) || b.radius - a.radius)
      .map(({ code, centre: [x, y], radius }) => ({ text: shortOf(code), x, y: y - radius - 3 })),
  );
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.max(200, nativeEvent.layout.width))}>
      <View
        role="img"
        aria-label={`${label}; the list says the same`}
        style={[styles.map, { borderColor: palette.hairline }]}
      >
        <Svg width={width} height={HEIGHT}>
          {shapes.map(({ path }, i) => (
            <Path key={i} d={path} fill={palette.band} stroke={palette.paper} strokeWidth={1} />
          ))}
          {[...circles]
            .sort((a, b) => b.radius - a.radius)
            .map(({ code, centre: [x, y], radius, ratio }) => (
              <Circle
                key={code}
                cx={x}
                cy={y}
                r={radius}
                fill={tone(ratio)}
                stroke={palette.ink}
                strokeWidth={1}
                fillOpacity={0.85}
              />
            ))}
          {labels.map(({ text: code, x, y }) => (
            <SvgText
              key={code}
              x={x}
              y={y}
              fontSize={13}
              fontFamily={FONT.sansBold}
              fill={palette.ink}
              textAnchor="middle"
            >
              {code}
            </SvgText>
          ))}
        </Svg>
      </View>
      {/* Smaller circles lie on top, as they are drawn. */}
      <View style={[styles.over, { width, height: HEIGHT }]}>
        {(onChoose ? [...circles] : [])
          .sort((a, b) => b.radius - a.radius)
          .map(({ code, name, views, ratio, centre: [x, y], radius }) => {
            const size = Math.max(SMALLEST_TOUCH, 2 * radius);
            return (
              <Pressable
                key={code}
                role="button"
                aria-label={`${name}: ${count(views)} ${unit}${ratio === undefined ? '' : `, ${times(ratio)} as elsewhere`}. Filter`}
                onPress={() => onChoose?.(code)}
                style={{ position: 'absolute', left: x - size / 2, top: y - size / 2, width: size, height: size }}
              />
            );
          })}
      </View>
      <Words kind="small">
        {`Circle: ${unit}. Tone: ${toneWords}, from alike to 1.7 times and more.${without.length > 0 ? ` Not on this map: ${without.join(', ')}.` : ''}`}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  over: { position: 'absolute', top: 0, left: 0, overflow: 'hidden', pointerEvents: 'box-none' },
  map: { borderWidth: 1, borderRadius: 8, overflow: 'hidden', marginBottom: SPACE.xs },
});
