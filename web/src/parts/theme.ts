import type { ThemeConfig } from 'antd';
import type { Palette } from './looks';

/** How far a load has come: one of five steps, which also differ in lightness. */
export function loadStep(use: number): 'load1' | 'load2' | 'load3' | 'load4' | 'stop' {
  if (use > 1 + 1e-9) return 'stop';
  if (use >= 0.995) return 'load4';
  if (use >= 0.85) return 'load3';
  if (use >= 0.6) return 'load2';
  return 'load1';
}

export const loadColour = (use: number): string => `var(--${loadStep(use)})`;

/** The look of the components, from the colours in force. */
export const themeOf = (colours: Palette, still: boolean): ThemeConfig => ({
  token: {
    fontFamily: '"IBM Plex Sans", sans-serif',
    fontFamilyCode: '"IBM Plex Mono", monospace',
    fontSize: 13,
    colorPrimary: colours.accent,
    colorLink: colours.accent,
    colorText: colours.ink,
    colorTextSecondary: colours.muted,
    colorTextTertiary: colours.muted,
    colorTextDescription: colours.muted,
    colorTextDisabled: colours.muted,
    colorTextPlaceholder: colours.muted,
    colorBorder: colours.rule,
    colorBorderSecondary: colours.hair,
    colorBgLayout: colours.paper,
    colorBgContainer: colours.sheet,
    colorBgElevated: colours.sheet,
    colorTextLightSolid: colours.onAccent,
    controlItemBgActive: colours.accentSoft,
    controlItemBgHover: colours.well,
    colorFillAlter: colours.well,
    colorErrorBg: colours.stopSoft,
    colorWarningBg: colours.cautionSoft,
    motion: !still,
    colorError: colours.stop,
    colorWarning: colours.caution,
    colorSuccess: colours.accent,
    borderRadius: 3,
    borderRadiusLG: 4,
    borderRadiusSM: 2,
    boxShadow: 'none',
    boxShadowSecondary: `0 1px 0 ${colours.rule}, 0 0 0 1px ${colours.rule}`,
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
      rowHoverBg: colours.well,
      headerSplitColor: 'transparent',
      headerBorderRadius: 0,
    },
    Input: { activeShadow: 'none' },
  },
});
