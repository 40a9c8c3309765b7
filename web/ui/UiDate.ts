import { defineAsyncComponent, h } from 'vue'

/** A date field. The picker is large and comes after the view that it stands in; its place is kept. */
export default defineAsyncComponent({
  loader: () => import('./UiDatePicker.vue'),
  loadingComponent: { render: () => h('div', { class: 'ui-date-place' }) },
  delay: 0,
})
