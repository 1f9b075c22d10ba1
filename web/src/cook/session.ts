import { kitchenApi } from "../api/here";
import { api, type Course, type CourseEvent, unwrap } from "../api/client";
import { newID } from "../api/new-id";
import { outbox } from "../outbox/outbox";

export type Command = Omit<CourseEvent, "id" | "at" | "device">;

/** What a screen sees of a course: as the server said last, with what is still on its way. */
export type Seen = {
  course: Course;
  /** What was done here and is not yet kept. */
  pending: CourseEvent[];
  online: boolean;
  /** A command that was refused, by its code. */
  refused?: string;
  /** The last readings of the probes, newer than the course. */
  readings: Reading[];
  gone: boolean;
};
type Reading = { dish: number; where: string; at: string; celsius: number };

const again = 3000; // ms until a stream that was lost is asked for again

/**
 * A course as this device follows it and acts on it. What is done here goes into the outbox, and counts here at once;
 * without a network it waits there, and the clock goes on.
 */
export class CourseSession {
  private seen: Seen;
  private listeners = new Set<() => void>();
  private stream?: EventSource;
  private timer?: ReturnType<typeof setTimeout>;
  /** The course's time, ms, when this page's clock showed `received`. */
  private base = 0;
  private received = 0;
  private readonly viewKey: string;

  constructor(
    readonly id: string,
    first: Course,
    readonly device: string,
    private readonly language: string,
    fresh = true,
  ) {
    this.viewKey = `cuerda.cook.${id}.view`;
    this.seen = { course: first, ...waiting(id), online: fresh, readings: [], gone: false };
    this.setClock(first, fresh);
    if (fresh) this.keepView();
  }

  /** The course as it was seen last on this device, where nobody answers. */
  static kept(id: string): Course | undefined {
    try {
      return (
        JSON.parse(localStorage.getItem(`cuerda.cook.${id}.view`) ?? "null") as { course: Course } | null
      )?.course;
    } catch {
      return undefined;
    }
  }

  /** Follows it; gives the way to stop. */
  follow(): () => void {
    this.connect();
    const stops = [
      outbox.subscribe(() => {
        const now = waiting(this.id);
        const online = this.seen.online && !(outbox.lost && now.pending.length > 0);
        this.set({ ...now, online, gone: this.seen.gone || now.refused === "gone" });
      }),
      outbox.hearAnswers("course", this.id, (course) => this.take(course as Course)),
    ];
    // Whoever comes back to the page finds the clock set, and the stream open, whatever slept meanwhile.
    const back = () => {
      if (document.visibilityState !== "visible") return;
      this.connect();
      void this.ask();
    };
    addEventListener("online", back);
    addEventListener("pageshow", back);
    document.addEventListener("visibilitychange", back);
    return () => {
      removeEventListener("online", back);
      removeEventListener("pageshow", back);
      document.removeEventListener("visibilitychange", back);
      for (const stop of stops) stop();
      clearTimeout(this.timer);
      this.stream?.close();
      this.stream = undefined;
    };
  }

  private async ask() {
    try {
      this.take(await unwrap(api.GET("/courses/{id}", { params: { path: { id: this.id } } })));
    } catch {
      this.set({ online: false });
    }
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  snapshot = () => this.seen;

  /** The time by the course's clock. */
  now = (): Date => new Date(this.base + (performance.now() - this.received) * this.seen.course.speed);

  /** Does something, now. */
  act(...commands: Command[]) {
    const at = this.now().toISOString();
    const events = commands.map((c) => ({ ...c, id: newID(), at, device: this.device }) as CourseEvent);
    outbox.add(
      "course",
      this.id,
      events.map((e) => ({ id: e.id, body: e })),
    );
    this.set(waiting(this.id));
  }

  /** Takes back what the server refused. */
  forgetRefusal() {
    outbox.drop(
      outbox
        .of("course", this.id)
        .filter((e) => e.refused)
        .map((e) => e.id),
    );
    this.set(waiting(this.id));
  }

  /** Takes over what the server says, where that is not older than what is known. */
  take(course: Course) {
    if (course.seq < this.seen.course.seq) return;
    this.setClock(course, true);
    this.set({ course, online: true });
    this.keepView();
  }

  private connect() {
    if (this.stream && this.stream.readyState !== EventSource.CLOSED) return;
    this.stream?.close();
    const stream = new EventSource(`${kitchenApi}/courses/${this.id}/stream?language=${this.language}`);
    stream.addEventListener("course", (e) => this.take(JSON.parse(e.data as string) as Course));
    stream.addEventListener("readings", (e) => {
      this.set({
        readings: (JSON.parse(e.data as string) as { readings: Reading[] }).readings,
        online: true,
      });
    });
    stream.addEventListener("scale", (e) => {
      const scale = JSON.parse(e.data as string) as Course["scale"];
      this.set({ course: { ...this.seen.course, scale }, online: true });
    });
    stream.addEventListener("end", () => {
      this.set({ gone: true });
      stream.close();
    });
    stream.onopen = () => {
      this.set({ online: true });
      outbox.wake();
    };
    stream.onerror = () => {
      this.set({ online: false });
      this.later(() => this.connect());
    };
    this.stream = stream;
  }

  private later(what: () => void) {
    clearTimeout(this.timer);
    this.timer = setTimeout(what, again);
  }

  private setClock(course: Course, fresh: boolean) {
    this.received = performance.now();
    this.base = Date.parse(course.now);
    if (!fresh) {
      // It was seen some time ago, by this device's own clock.
      const kept = Number(localStorage.getItem(`${this.viewKey}.at`) ?? Date.now());
      this.base += Math.max(0, Date.now() - kept) * course.speed;
    }
  }

  private set(change: Partial<Seen>) {
    this.seen = { ...this.seen, ...change };
    for (const listener of this.listeners) listener();
  }

  private keepView() {
    store(this.viewKey, JSON.stringify({ course: this.seen.course }));
    store(`${this.viewKey}.at`, String(Date.now()));
  }
}

/** What of a course is on its way, and what of it was refused. */
function waiting(id: string): Pick<Seen, "pending" | "refused"> {
  const all = outbox.of("course", id);
  return {
    pending: all.filter((e) => !e.refused).map((e) => e.body as CourseEvent),
    refused: all.find((e) => e.refused)?.refused?.code,
  };
}

/** What a full device cannot keep goes on without. */
function store(key: string, text: string) {
  try {
    localStorage.setItem(key, text);
  } catch {
    // The course is on the server, too.
  }
}
