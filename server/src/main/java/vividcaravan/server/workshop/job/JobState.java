package vividcaravan.server.workshop.job;

/** How a job stands. */
enum JobState {
    OPEN,
    DONE,
    /** Given up; what was fitted stays fitted. */
    DROPPED
}
