import type { ThemeConfig } from 'antd';

export const colours = {
  paper: '#FAF8F4',
  ink: '#1D2630',
  muted: '#5C6773',
  rule: '#DDD8CE',
  hair: '#EAE5DB',
  accent: '#0F6E6E',
  stop: '#B3261E',
};

/** The stripe of each ISO 513 group, always shown with its letter. */
export const groupColours: Record<string, string> = { P: '#2F6FB0', M: '#C9A400', K: '#B8352B', N: '#2E8B57', S: '#B0651D', H: '#8A8F94' };

/** Tempering colours of steel: lightness falls all the way to the limit, so that a bar reads without colour. */
export function loadColour(use: number): string {
  if (use > 1 + 1e-9) return colours.stop;
  if (use >= 0.995) return '#27457C';
  if (use >= 0.85) return '#6B3F7A';
  if (use >= 0.6) return '#B9722E';
  return '#E9C46A';
}

export const theme: ThemeConfig = {
  token: {
    fontFamily: '"IBM Plex Sans", sans-serif',
    fontFamilyCode: '"IBM Plex Mono", monospace',
    fontSize: 13,
    colorPrimary: colours.accent,
    colorLink: colours.accent,
    colorText: colours.ink,
    colorTextSecondary: colours.muted,
    colorTextPlaceholder: '#6B747E',
    colorBorder: colours.rule,
    colorBorderSecondary: colours.hair,
    colorBgLayout: colours.paper,
    colorBgContainer: '#FFFFFF',
    colorError: colours.stop,
    colorWarning: '#8A5A12',
    colorSuccess: colours.accent,
    borderRadius: 3,
    borderRadiusLG: 4,
    borderRadiusSM: 2,
    boxShadow: 'none',
    boxShadowSecondary: '0 1px 0 #DDD8CE, 0 0 0 1px #DDD8CE',
    controlHeight: 30,
    motionDurationMid: '0.08s',
    motionDurationSlow: '0.1s',
  },
  components: {
    Button: {
      primaryShadow: 'none',
      defaultShadow: 'none',
      fontWeight: 500,
      defaultBorderColor: colours.accent,
      defaultColor: colours.accent,
    },
    Table: {
      headerBg: colours.paper,
      headerColor: colours.muted,
      cellPaddingBlockSM: 5,
      rowHoverBg: '#F3EFE7',
      headerSplitColor: 'transparent',
      headerBorderRadius: 0,
    },
    Input: { activeShadow: 'none' },
  },
};
