/** Builds the server alone when one of its sources is newer; throws with what was printed when it can't. */
export declare function buildServerIfStale(): Promise<void>
