/** A journey, and what stands before and after one, may take long on a busy machine: no result hangs on that. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 720_000;
