import type { ThemeConfig } from 'antd';
import { palette } from './palette';

/** Whoever asks their system for less motion gets none from the library either. */
const motion = !(typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches);

/** Ant Design in the house's colours and type. */
export const theme: ThemeConfig = {
  token: {
    colorPrimary: palette.moss,
    colorInfo: palette.moss,
    colorSuccess: palette.clear,
    colorError: palette.danger,
    colorWarning: palette.brass,
    colorText: palette.ink,
    colorTextPlaceholder: '#5f6b64',
    colorTextDescription: '#56625b',
    colorBgBase: '#fffdf7',
    colorBgLayout: palette.paper,
    colorBorder: '#b9b19c',
    colorLink: palette.moss,
    fontFamily: "'IBM Plex Sans', system-ui, sans-serif",
    fontFamilyCode: "'IBM Plex Mono', ui-monospace, monospace",
    fontSize: 14,
    borderRadius: 6,
    controlHeight: 38,
    wireframe: false,
    motion,
  },
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none' },
    Modal: { titleFontSize: 18 },
    Segmented: {
      trackBg: '#e7dfcb',
      itemColor: '#3a4741',
      itemSelectedBg: palette.moss,
      itemSelectedColor: '#fffdf7',
    },
    Table: {
      headerBg: '#ece5d3',
      headerColor: '#3a4741',
      borderColor: '#ddd2b8',
      rowHoverBg: '#f6efdf',
      cellPaddingBlockSM: 5,
      cellPaddingInlineSM: 6,
      cellFontSizeSM: 13.5,
    },
    Slider: { railBg: '#d8cfb8', railHoverBg: '#c9bfa4', handleSize: 14, railSize: 6 },
  },
};

/** The same on the stage, where it is always night. */
export const night: ThemeConfig = {
  token: {
    colorPrimary: palette.brass,
    colorText: '#e6ebe4',
    colorTextDisabled: '#8b9791',
    colorBgBase: '#1a2522',
    colorBgContainer: '#22302b',
    colorBgContainerDisabled: '#1e2926',
    colorBorder: '#55675e',
    colorTextLightSolid: '#14100a',
    controlHeight: 34,
    motion,
  },
  components: {
    Segmented: {
      trackBg: '#101816',
      itemColor: '#c9d2cb',
      itemHoverColor: '#fffdf7',
      itemHoverBg: '#2b3a34',
      itemSelectedBg: palette.brass,
      itemSelectedColor: '#14100a',
    },
    Slider: {
      railBg: '#3c4b44',
      railHoverBg: '#4a5b53',
      trackBg: palette.brass,
      trackHoverBg: palette.lamp,
      handleColor: palette.lamp,
      handleActiveColor: palette.lamp,
    },
    Switch: { colorTextQuaternary: '#6b7a72', colorTextTertiary: '#7d8c84' },
    Button: { primaryColor: '#14100a' },
  },
};
