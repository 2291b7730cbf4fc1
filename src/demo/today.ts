/** The day on which the demo world stands still. */
export const DEMO_TODAY = '2026-11-24';
