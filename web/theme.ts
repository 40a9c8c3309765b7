import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

const FONT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"

/** Ant Design Vue's tokens in Juvant's enamel, cobalt and ink. */
export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#1F3F94',
    colorLink: '#1F3F94',
    colorInfo: '#14646F',
    colorSuccess: '#1D6042',
    colorWarning: '#7A4B00',
    colorError: '#9E2A1A',
    colorText: '#13242B',
    colorTextSecondary: '#43555C',
    colorTextPlaceholder: '#56686F',
    colorBgLayout: '#DFE5E6',
    colorBgContainer: '#FAFBF8',
    colorBgElevated: '#FAFBF8',
    colorBorder: '#6F8086',
    colorBorderSecondary: '#B7C3C6',
    colorSplit: '#B7C3C6',
    colorPrimaryBg: '#DEE4F3',
    fontFamily: FONT,
    fontSize: 15,
    borderRadius: 3,
    borderRadiusLG: 3,
    borderRadiusSM: 2,
    controlHeight: 44,
    controlHeightSM: 36,
    lineWidth: 1.5,
    boxShadow: 'none',
    boxShadowSecondary: '0 0 0 2px #13242B',
    controlOutline: 'rgba(31,63,148,.35)',
    controlOutlineWidth: 3,
    wireframe: false,
    motionDurationMid: '0.12s',
    motionDurationSlow: '0.16s',
  },
}
