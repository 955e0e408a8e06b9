/** What ended a worker: a defect says itself, a script that did not load says nothing. */
export function faultOf({ message }: ErrorEvent): Error {
  return new Error(
    message || 'The part of Elvant that calculates did not load. Is the server still running?',
  )
}
