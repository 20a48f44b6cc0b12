/** Whether this server takes requests: not before it has begun, and no more once it was told to stop. */
let isDraining = false
export const drain = (): void => {
  isDraining = true
}
export const takesRequests = (): boolean => !isDraining
