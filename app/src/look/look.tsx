import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { configureFonts, MD3DarkTheme, MD3LightTheme, PaperProvider, type MD3Theme } from 'react-native-paper';
import { Icon } from './icon';
import { DARK, FONT, LIGHT, WIDE_FROM, type Palette } from './tokens';

const Look = createContext<Palette>(LIGHT);

/** The palette of the scheme that the system asks for. */
export const usePalette = (): Palette => useContext(Look);

/** List and detail side by side? */
export const useIsWide = (): boolean => useWindowDimensions().width >= WIDE_FROM;

const fonts = configureFonts({ config: { fontFamily: FONT.sans } });

function paperTheme(palette: Palette, isDark: boolean): MD3Theme {
  const base = isDark ? MD3DarkTheme : MD3LightTheme;
  return {
    ...base,
    fonts,
    roundness: 2,
    colors: {
      ...base.colors,
      primary: palette.action,
      onPrimary: palette.onAction,
      background: palette.paper,
      surface: palette.surface,
      onSurface: palette.ink,
      onSurfaceVariant: palette.muted,
      outline: palette.muted,
      error: palette.harm[3],
      secondaryContainer: palette.band,
    },
  };
}

export function LookProvider({ children }: { children: ReactNode }) {
  const isDark = useColorScheme() === 'dark';
  const palette = isDark ? DARK : LIGHT;
  const theme = useMemo(() => paperTheme(palette, isDark), [palette, isDark]);
  return (
    <Look.Provider value={palette}>
      <PaperProvider
        theme={theme}
        settings={{
          icon: (props: { name: string; color?: string; size: number }) => (
            <Icon name={props.name} color={props.color ?? palette.ink} size={props.size} />
          ),
        }}
      >
        {children}
      </PaperProvider>
    </Look.Provider>
  );
}
