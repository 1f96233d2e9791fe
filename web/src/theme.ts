import type { ThemeConfig } from 'antd';
import { MOSS, PAPER, RUST } from '@green-thicket/core/map/palette';

export { MOSS, PAPER, RUST };
export const SANS = "'Figtree Variable', Figtree, 'Helvetica Neue', Arial, sans-serif";
export const INK = '#26302a';
export const QUIET = '#5d6358';
export const RULE = '#e2dfd2';

/** Ant Design in our colours and type. */
export const antTheme: ThemeConfig = {
  token: {
    colorPrimary: MOSS,
    colorLink: '#8f3f1d',
    colorInfo: MOSS,
    colorSuccess: '#2f5d3a',
    colorWarning: '#8a5a00',
    colorError: '#9b2c1f',
    colorText: INK,
    colorTextSecondary: QUIET,
    colorTextPlaceholder: '#6d7268',
    colorBgBase: '#fffefb',
    colorBgLayout: PAPER,
    colorBorder: '#b9b7a8',
    colorBorderSecondary: RULE,
    // What is chosen in a list: worked out from moss it would be too dark to read on.
    controlItemBgActive: '#e9ede2',
    controlItemBgActiveHover: '#dde5d6',
    fontFamily: SANS,
    fontSize: 14,
    fontWeightStrong: 650,
    borderRadius: 5,
    wireframe: false,
  },
  components: {
    Table: { headerBg: '#f3f1e6', cellPaddingBlockSM: 4, headerColor: QUIET },
    Popover: { titleMinWidth: 120 },
  },
};
