import type { Course, CourseEvent, CourseTask } from "../api/client";

/**
 * The course with what was done on this device and is not yet kept, so that a tap shows at once. What it
 * then comes to is the server's to say.
 */
export function withPending(course: Course, pending: CourseEvent[]): Course {
  if (pending.length === 0) return course;
  const out = structuredClone(course);
  for (const e of pending) apply(out, e);
  if (out.tasks.length === 0) out.tasks = next(out);
  return out;
}

const same = (t: CourseTask, e: CourseEvent) => t.dish === (e.dish ?? 0) && t.step === (e.step ?? 0);

function apply(out: Course, e: CourseEvent) {
  const step = out.dishes[e.dish ?? 0]?.steps[e.step ?? 0];
  const drop = (...dos: CourseTask["do"][]) => {
    out.tasks = out.tasks.filter((t) => !(dos.includes(t.do) && same(t, e)));
  };
  switch (e.kind) {
    case "begun":
      if (!step) return;
      step.status = "running";
      step.begin = e.at ?? out.now;
      step.end = new Date(Date.parse(step.begin) + step.minutes * 60_000).toISOString();
      drop("begin");
      if (step.timed) add(out, e, "off", step.end);
      break;
    case "done":
      if (!step) return;
      step.status = "done";
      step.end = e.at ?? out.now;
      drop("begin", "do", "off", "turn", "weigh", "batch");
      break;
    case "undone":
      if (!step) return;
      step.status = step.status === "done" ? "running" : "waiting";
      add(out, e, step.timed ? "off" : "do", out.now);
      break;
    case "weighed": {
      if (!step) return;
      const at = step.weigh.find((w) => w.line === (e.line ?? 0));
      if (at) [at.in, at.how] = [e.grams, e.how];
      drop("weigh");
      const amount = step.weigh.findIndex((w) => w.in === undefined);
      if (amount >= 0) add(out, e, "weigh", out.now, amount);
      else add(out, e, step.timed ? "begin" : "do", out.now);
      break;
    }
    case "unweighed": {
      if (!step) return;
      const amount = step.weigh.findIndex((w) => w.line === (e.line ?? 0));
      if (step.weigh[amount]) step.weigh[amount].in = undefined;
      drop("weigh", "do", "begin");
      add(out, e, "weigh", out.now, amount);
      break;
    }
    case "batch":
      drop("batch");
      break;
    case "turned":
      out.tasks = out.tasks.filter((t) => !(t.do === "turn" && t.dish === (e.dish ?? 0)));
      break;
    case "felt":
      out.tasks = out.tasks.filter((t) => !(t.do === "squeeze" && t.dish === (e.dish ?? 0)));
      break;
    case "unadded": {
      const bowl = out.dishes[e.dish ?? 0]?.bowl;
      if (bowl) bowl.added = bowl.added.filter((a) => a.id !== e.name);
      break;
    }
    case "found":
      out.tasks = out.tasks.filter((t) => !(t.do === "found" && t.dish === (e.dish ?? 0)));
      break;
    case "timer":
      out.timers.push({
        id: e.id,
        name: e.name ?? "",
        minutes: e.minutes ?? 0,
        begin: e.at ?? out.now,
        end: new Date(Date.parse(e.at ?? out.now) + (e.minutes ?? 0) * 60_000).toISOString(),
      });
      break;
    case "timeroff":
      out.timers = out.timers.filter((t) => t.id !== e.name);
      out.tasks = out.tasks.filter((t) => t.timer !== e.name);
      break;
    case "silenced":
      out.tasks = out.tasks.map((t) => (t.name === e.name ? { ...t, silenced: true } : t));
      break;
    case "heated": {
      const oven = out.heats[e.step ?? 0];
      if (oven) oven.on = e.at ?? out.now;
      out.tasks = out.tasks.filter((t) => !(t.do === "heat" && t.amount === (e.step ?? 0)));
      break;
    }
    case "ended":
      out.ended = e.at ?? out.now;
      break;
  }
}

// Until the server says how much is lost where they are missed, 0..1.
const lossOnHeat = 0.7;
const lossInHand = 0.29; // just short of what sounds: a hand that has begun goes on

function add(out: Course, e: CourseEvent, what: CourseTask["do"], at: string, amount = 0) {
  const [dish, step] = [e.dish ?? 0, e.step ?? 0];
  out.tasks.unshift({
    do: what,
    dish,
    step,
    amount,
    at,
    due: Date.parse(at) <= Date.parse(out.now),
    urgent: what === "off",
    loss: what === "off" ? lossOnHeat : lossInHand,
    name: `${what}-${dish}-${step}`,
    cooks: out.dishes[dish]?.steps[step]?.cooks ?? [],
  });
}

/** Without an answer from the server: the step that comes next by the plan. */
function next(out: Course): CourseTask[] {
  const waiting = out.dishes
    .flatMap((d, dish) => d.steps.map((s, step) => ({ s, dish, step })))
    .filter(({ s }) => s.status === "waiting" && s.put)
    .sort((a, b) => Date.parse(a.s.begin) - Date.parse(b.s.begin))[0];
  if (!waiting) return [];
  const { s, dish, step } = waiting;
  const amount = s.weigh.findIndex((w) => w.in === undefined);
  const what = amount >= 0 ? "weigh" : s.timed ? "begin" : "do";
  return [
    {
      do: what,
      dish,
      step,
      amount: Math.max(amount, 0),
      at: s.begin,
      due: true,
      urgent: false,
      loss: lossInHand,
      name: `${what}-${dish}-${step}`,
      cooks: s.cooks,
    },
  ];
}
