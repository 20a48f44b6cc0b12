/** A call that is heard and felt: two tones, and a shake of what is in the pocket. */
export function useCall(isLoud: () => boolean) {
  let context: AudioContext | null = null
  function tone(at: AudioContext, hertz: number, fromS: number) {
    const sound = at.createOscillator()
    const volume = at.createGain()
    sound.frequency.value = hertz
    volume.gain.setValueAtTime(0.25, at.currentTime + fromS)
    volume.gain.exponentialRampToValueAtTime(0.001, at.currentTime + fromS + 0.35)
    sound.connect(volume).connect(at.destination)
    sound.start(at.currentTime + fromS)
    sound.stop(at.currentTime + fromS + 0.4)
  }
  function call() {
    if (!isLoud()) return
    // Where there is nothing that shakes, it is only heard.
    navigator.vibrate?.([250, 120, 250])
    try {
      context ??= new AudioContext()
      tone(context, 880, 0)
      tone(context, 1175, 0.45)
    } catch {
      /* A browser without sound still shows it. */
    }
  }
  onScopeDispose(() => void context?.close())
  return { call }
}
