import { usePreferredDark, useStorage } from '@vueuse/core'
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'
import { computed, watchEffect } from 'vue'
import { DARK, LIGHT, styleProperties, type Palette } from './tokens'

const FONT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"

/** Which colours this device shows: as its system is set, or always the light or the dark ones. */
export type Scheme = 'system' | 'light' | 'dark'

const scheme = useStorage<Scheme>('juvant.scheme', 'system')
const preferred = usePreferredDark()
const dark = computed(() => scheme.value === 'dark' || (scheme.value === 'system' && preferred.value))
const palette = computed<Palette>(() => (dark.value ? DARK : LIGHT))

/** The colours now, and the choice of this device, kept on it. */
export const useTheme = () => ({ scheme, dark, palette, library: computed(() => libraryTheme(palette.value)) })

/** Puts the palette on the page, and keeps it there. */
export function wearTheme(root = document.documentElement): void {
  watchEffect(() => {
    for (const [name, colour] of Object.entries(styleProperties(palette.value))) root.style.setProperty(name, colour)
    root.style.colorScheme = dark.value ? 'dark' : 'light'
  })
}

/** The component library's tokens in Juvant's colours and type. */
export function libraryTheme(p: Palette): ThemeConfig {
  return {
    token: {
      colorPrimary: p.rim,
      colorLink: p.rim,
      colorLinkHover: p.rim,
      colorInfo: p.water,
      colorSuccess: p.ok,
      colorWarning: p.watch,
      colorError: p.stop,
      colorTextBase: p.ink,
      colorBgBase: p.enamel,
      colorText: p.ink,
      colorTextSecondary: p.ink2,
      colorTextTertiary: p.ink2,
      colorTextDescription: p.ink2,
      colorTextPlaceholder: p.ink2,
      colorTextDisabled: p.ink2,
      colorTextLightSolid: p.onRim,
      colorIcon: p.ink2,
      colorBgLayout: p.ground,
      colorBgContainer: p.enamel,
      colorBgContainerDisabled: p.enamel,
      colorBgElevated: p.enamel,
      colorBorder: p.edge,
      colorBorderSecondary: p.rule,
      colorSplit: p.rule,
      colorPrimaryBg: p.rimTint,
      colorPrimaryBgHover: p.rimTint,
      controlItemBgActive: p.rimTint,
      controlItemBgHover: p.waterPale,
      colorFillAlter: p.waterPale,
      fontFamily: FONT,
      fontSize: 15,
      borderRadius: 3,
      borderRadiusLG: 3,
      borderRadiusSM: 2,
      controlHeight: 44,
      controlHeightSM: 36,
      lineWidth: 1.5,
      boxShadow: 'none',
      boxShadowSecondary: `0 0 0 2px ${p.ink}`,
      controlOutline: `${p.rim}59`,
      controlOutlineWidth: 3,
      wireframe: false,
      motionDurationMid: '0.12s',
      motionDurationSlow: '0.16s',
    },
  }
}
