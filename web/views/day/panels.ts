/** What can be opened on a day beside its dogs: whom to add, what owners are told, what to do when it runs late, when owners come, its hours. */
export type DayPanel = 'add' | 'messages' | 'late' | 'times' | 'settings'
