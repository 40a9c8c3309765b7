import type { Plan } from '@core/visit'
import { noticeNext, noticeTitle, stepDetail, stepTitle, type Say } from '@words'

/** A plan with its sentences beside its codes: titles and details of steps, what notices and questions say. */
export function wordedPlan(plan: Plan, say: Say) {
  const notice = (n: Plan['stops'][number]) => ({ ...n, title: noticeTitle(n, say), next: noticeNext(n, say) })
  return {
    ...plan,
    steps: plan.steps.map((s) => ({ ...s, title: stepTitle(s), text: stepDetail(s, say) })),
    stops: plan.stops.map(notice),
    cautions: plan.cautions.map(notice),
    questions: plan.questions.map((q) => ({ ...q, text: say.said(q) })),
  }
}
