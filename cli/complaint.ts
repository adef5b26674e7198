/** A refusal meant for whoever typed the command: printed as one line, exit status 1. */
export class Complaint extends Error {}
