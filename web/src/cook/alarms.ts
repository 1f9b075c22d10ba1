import { useEffect, useState } from "react";

const key = "cuerda.cook.sound";

/** Whether alarms are heard on this device. */
export function useSound(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(() => localStorage.getItem(key) !== "off");
  return [
    on,
    (next) => {
      localStorage.setItem(key, next ? "on" : "off");
      setOn(next);
      if (next) unlock();
    },
  ];
}

let audio: AudioContext | undefined;

/** Browsers let a page sound only once it was touched. */
export function unlock() {
  audio ??= new AudioContext();
  void audio.resume();
}

/** Two knocks on wood and a higher one: no kitchen machine sounds so. */
function knock() {
  if (audio?.state !== "running") return;
  for (const [at, pitch] of [
    [0, 660],
    [0.16, 660],
    [0.36, 880],
  ] as const) {
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    tone.type = "triangle";
    tone.frequency.value = pitch;
    const start = audio.currentTime + at;
    loud.gain.setValueAtTime(0.0001, start);
    loud.gain.exponentialRampToValueAtTime(0.5, start + 0.01);
    loud.gain.exponentialRampToValueAtTime(0.0001, start + 0.22);
    tone.connect(loud).connect(audio.destination);
    tone.start(start);
    tone.stop(start + 0.25);
  }
}

const every = 3500; // ms

/** Sounds, shakes and shows in the title while something is due: what is lost first is told first. */
export function useAlarm(what: string | undefined, sound: boolean, title: string) {
  useEffect(() => {
    if (!what) {
      document.title = title;
      return;
    }
    let flash = false;
    const ring = () => {
      if (sound) knock();
      // Nobody may shake a page that was not touched yet.
      if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.([250, 120, 250]);
      flash = !flash;
      document.title = flash ? `● ${what}` : what;
    };
    ring();
    const timer = setInterval(ring, every);
    return () => {
      clearInterval(timer);
      document.title = title;
    };
  }, [what, sound, title]);
}

/** Keeps the screen awake while it is shown. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const hold = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      lock = await navigator.wakeLock.request("screen").catch(() => undefined);
    };
    void hold();
    const again = () => void hold();
    document.addEventListener("visibilitychange", again);
    return () => {
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
}
