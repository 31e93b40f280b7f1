/** Where the demo book lies as it was made: flows work on copies of it. */
export const DEMO_MADE = "test-results/made";
