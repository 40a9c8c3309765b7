/** What can be opened on a day beside its dogs: whom to add, what to do when it runs late, when owners come, its hours. */
export type DayPanel = 'add' | 'late' | 'times' | 'settings'
