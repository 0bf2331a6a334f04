/** A machine that is busy with something else takes longer, and no result may hang on that. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
