import type { InjectionKey, Ref } from 'vue'

/** Whether the recipe on screen can only be read: its dog's record is deleted. */
export const FIXED: InjectionKey<Ref<boolean>> = Symbol('fixed')
