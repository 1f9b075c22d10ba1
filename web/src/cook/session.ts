import { api, ApiError, type Course, type CourseEvent, unwrap } from "../api/client";
import { newID } from "../api/new-id";

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

const again = 3000; // ms after a request that failed
const mostKept = 500; // commands that wait

/**
 * A course as this device follows it and acts on it. What is done here is put by before it is sent, in
 * its order, and counts here at once; without a network it waits, and the clock goes on.
 */
export class CourseSession {
  private seen: Seen;
  private listeners = new Set<() => void>();
  private stream?: EventSource;
  private sending = false;
  private timer?: ReturnType<typeof setTimeout>;
  /** The course's time, ms, when this page's clock showed `received`. */
  private base = 0;
  private received = 0;
  private readonly queueKey: string;
  private readonly viewKey: string;

  constructor(
    readonly id: string,
    first: Course,
    readonly device: string,
    private readonly language: string,
    fresh = true,
  ) {
    this.queueKey = `cuerda.cook.${id}.queue`;
    this.viewKey = `cuerda.cook.${id}.view`;
    this.seen = { course: first, pending: this.queued(), online: fresh, readings: [], gone: false };
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
    void this.flush();
    const online = () => {
      this.connect();
      void this.flush();
    };
    window.addEventListener("online", online);
    return () => {
      window.removeEventListener("online", online);
      clearTimeout(this.timer);
      this.stream?.close();
      this.stream = undefined;
    };
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
    this.set({ pending: [...this.seen.pending, ...events].slice(-mostKept), refused: undefined });
    this.keepQueue();
    void this.flush();
  }

  forgetRefusal() {
    this.set({ refused: undefined });
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
    const stream = new EventSource(`/api/courses/${this.id}/stream?language=${this.language}`);
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
      void this.flush();
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

  /** Sends what waits, in its order. */
  private async flush() {
    const waiting = this.seen.pending;
    if (this.sending || waiting.length === 0) return;
    this.sending = true;
    try {
      const { outcomes, course } = await unwrap(
        api.POST("/api/courses/{id}/events", {
          params: { path: { id: this.id } },
          body: { events: waiting },
        }),
      );
      const sent = new Set(waiting.map((e) => e.id));
      this.set({
        pending: this.seen.pending.filter((e) => !sent.has(e.id)),
        refused: outcomes.find((o) => o.refused)?.refused ?? this.seen.refused,
      });
      this.keepQueue();
      this.take(course);
    } catch (error) {
      const lost = !(error instanceof ApiError) || error.temporary;
      if (lost) this.set({ online: false });
      else {
        // Nobody will ever take it: the course is gone.
        this.set({ pending: [], refused: "gone", gone: error.status === 410 || error.status === 404 });
        this.keepQueue();
      }
    } finally {
      this.sending = false;
    }
    if (this.seen.pending.length > 0) {
      if (this.seen.online) void this.flush();
      else this.later(() => void this.flush());
    }
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

  private queued(): CourseEvent[] {
    try {
      return JSON.parse(localStorage.getItem(this.queueKey) ?? "[]") as CourseEvent[];
    } catch {
      return [];
    }
  }

  private keepQueue() {
    store(this.queueKey, JSON.stringify(this.seen.pending));
  }

  private keepView() {
    store(this.viewKey, JSON.stringify({ course: this.seen.course }));
    store(`${this.viewKey}.at`, String(Date.now()));
  }
}

/** What a full device cannot keep goes on without. */
function store(key: string, text: string) {
  try {
    localStorage.setItem(key, text);
  } catch {
    // The course is on the server, too.
  }
}
