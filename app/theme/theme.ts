import type { ThemeConfig } from 'antd';
import { palette } from './palette';

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
  },
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none' },
    Modal: { titleFontSize: 18 },
    Card: { colorBgContainer: '#fffdf7' },
  },
};
