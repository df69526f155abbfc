/** Colours of the interface in both schemes. Harm is one ramp of growing contrast; words always stand beside it. */
export interface Palette {
  paper: string;
  surface: string;
  ink: string;
  muted: string;
  hairline: string;
  /** actions, links, focus ring */
  action: string;
  /** text on an action's fill */
  onAction: string;
  /** calm, strained, hurting, broken */
  harm: readonly [string, string, string, string];
  band: string;
}

export const LIGHT: Palette = {
  paper: '#FAF7F2',
  surface: '#FFFFFF',
  ink: '#1E2329',
  muted: '#5C636B',
  hairline: '#E2DCD2',
  action: '#0B5C63',
  onAction: '#FFFFFF',
  harm: ['#D8DAD3', '#D9A7B0', '#B4506F', '#6B1238'],
  band: '#DDE5E4',
};

export const DARK: Palette = {
  paper: '#14171A',
  surface: '#1C2024',
  ink: '#ECE7DF',
  muted: '#A3A8AC',
  hairline: '#32373C',
  action: '#6FC3C8',
  onAction: '#14171A',
  harm: ['#3A3F43', '#7A4A57', '#C2607F', '#F4A3BC'],
  band: '#2A3335',
};

/** Steps of the spacing scale, in points. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24 } as const;

/** Smallest side of anything that is pressed. */
export const TOUCH = 44;

/** From this width on list and detail stand side by side. */
export const WIDE_FROM = 1024;

/** From this width on a page about one thing stands in two columns. */
export const TWO_COLUMNS_FROM = 1100;

export const FONT = { serif: 'SourceSerif', sans: 'SourceSans', sansBold: 'SourceSansBold' } as const;
