import { useLocalStorage } from '@vueuse/core';

/** How a new stop now calls on this device beyond the page: each person chooses, device by device. */
export const alarmSound = useLocalStorage('vivid-caravan.sound', false);
export const alarmNote = useLocalStorage('vivid-caravan.note', false);

const TONES: readonly [hertz: number, from: number][] = [
  [660, 0],
  [880, 0.22],
  [660, 0.44],
];
const TONE_SECONDS = 0.2;
const LOUDNESS = 0.25;

/** Three short tones; nothing where the browser plays none. */
export function sound(): void {
  try {
    const audio = new AudioContext();
    const loudness = audio.createGain();
    loudness.gain.value = LOUDNESS;
    loudness.connect(audio.destination);
    for (const [hertz, from] of TONES) {
      const tone = audio.createOscillator();
      tone.frequency.value = hertz;
      tone.connect(loudness);
      tone.start(audio.currentTime + from);
      tone.stop(audio.currentTime + from + TONE_SECONDS);
    }
    setTimeout(() => void audio.close(), 2_000);
  } catch {
    // A device without sound shows and speaks it all the same.
  }
}

export const mayShowNotes = () => 'Notification' in window && Notification.permission === 'granted';

/** Asks the browser whether it may show notes beyond the page. */
export async function askForNotes(): Promise<boolean> {
  if (!('Notification' in window)) return false;
  return (await Notification.requestPermission()) === 'granted';
}

/** Calls beyond the page, as this device was told to. */
export function callOut(title: string, words: string, id: string): void {
  if (alarmSound.value) sound();
  if (alarmNote.value && mayShowNotes()) {
    try {
      const note = new Notification(title, { body: words, tag: id, requireInteraction: true });
      note.onclick = () => {
        window.focus();
        note.close();
      };
    } catch {
      // Some phones show notes through their system only.
    }
  }
}
