/** Puts the built program of a project and the packages that it runs with into a folder; answers how many packages. */
export declare function stage(root: string, into: string, version: string): number
