import { notification } from 'ant-design-vue'
import { defineComponent, h } from 'vue'
import { toastsIn } from './toast'

/** For the frame of the app alone: the place where toasts stand, fetched once the first view stands. */
export default defineComponent({
  setup() {
    const [api, Holder] = notification.useNotification()
    toastsIn(api)
    return () => h(Holder)
  },
})
