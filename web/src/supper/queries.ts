import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  api,
  ApiError,
  etag,
  type Plan,
  type Problem,
  type SupperDocument,
  type SupperStep,
  unwrap,
} from "../api/client";
import { DocumentSession, type Kept, type Resource } from "../editing/session";
import { useTranslation } from "../i18n/use-translation";
import { ownZone } from "../ui/clock";

const suppers: Resource<SupperDocument> = {
  kind: "supper",
  get: (id) => unwrap(api.GET("/suppers/{id}", { params: { path: { id } } })),
  put: (id, on, body, keepalive) =>
    unwrap(
      api.PUT("/suppers/{id}", {
        params: { path: { id }, header: { "If-Match": etag(on) } },
        body,
        keepalive,
      }),
    ),
  restore: (id) => unwrap(api.POST("/suppers/{id}/restore", { params: { path: { id } } })),
};

/** A supper being edited. */
export class SupperSession extends DocumentSession<SupperDocument> {
  constructor(supper: Kept<SupperDocument>) {
    super(supper, suppers);
  }
}

/** The next evening at seven. */
function nextTable(): string {
  const at = new Date();
  at.setHours(19, 0, 0, 0);
  if (at.getTime() < Date.now() + 3 * 3_600_000) at.setDate(at.getDate() + 1);
  return at.toISOString();
}

export function useCreateSupper() {
  const { t } = useTranslation();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (from?: SupperDocument) =>
      unwrap(
        api.POST("/suppers", {
          body: from ?? {
            format: "cuerda-supper/1",
            name: t("supper.untitled"),
            table: nextTable(),
            zone: ownZone(),
            dishes: [],
            aim: "latest-start",
          },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["suppers"] }),
  });
}

export function useRestoreSupper() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: suppers.restore,
    onSuccess: () => client.invalidateQueries({ queryKey: ["suppers"] }),
  });
}

/** What of a supper moves its plan. */
export function planned(d: SupperDocument): SupperDocument {
  return { ...d, bought: undefined, name: undefined };
}

/** A plan, or why there is none; of is what it was asked of. */
export type Planned = { plan?: Plan; problem?: Problem; of?: string };

const quick = { params: { query: { quick: true } } };
const loose = { params: { query: { loose: true } } };

/**
 * Plans a supper; a supper that cannot be planned is an answer too. In haste every pin is held to; else
 * what cannot be held is left out, and named.
 */
export async function makePlan(d: SupperDocument, inHaste = false, signal?: AbortSignal): Promise<Planned> {
  if (d.dishes.length === 0) return {};
  try {
    return {
      plan: await unwrap(api.POST("/plan", { ...(inHaste ? quick : loose), body: planned(d), signal })),
    };
  } catch (error) {
    if (error instanceof ApiError && error.status === 422 && error.problem) return { problem: error.problem };
    throw error;
  }
}

/** What a plan is made of, to tell one from another. */
export const planOf = (d: SupperDocument) => JSON.stringify(planned(d));

/** As makePlan, where what moves the plan is not what the last one was made of. */
export async function makeNext(d: SupperDocument, last: Planned): Promise<Planned> {
  const of = planOf(d);
  return last.of === of ? last : { ...(await makePlan(d)), of };
}

/** The supper with its oven at the heats of a plan, for another that is made in haste. */
export const atHeatsOf = (d: SupperDocument, plan: Plan | undefined): SupperDocument => {
  const celsius = plan?.shared[0]?.celsius;
  return celsius === undefined ? { ...d, share_oven: false } : { ...d, share_at: celsius };
};

/** As makeNext, with little work, at the heats of the plan that stands: it is there before the whole one. */
export async function makeInHaste(d: SupperDocument, stands: Planned, last: Planned): Promise<Planned> {
  const of = planOf(d);
  if (last.of === of || stands.of === of || !stands.plan) return last;
  const { plan } = await makePlan(atHeatsOf(d, stands.plan), true);
  return { plan, of };
}

export const aims = ["latest-start", "one-cook", "quiet-end", "day-before", "least-oven"] as const;
export type Aim = (typeof aims)[number];

/** The plan by another aim, for a document that stands still. */
export function useOtherPlan(d: SupperDocument, aim: Aim, enabled: boolean) {
  const of = { ...planned(d), aim };
  return useQuery({
    queryKey: ["plan", aim, of],
    queryFn: ({ signal }) => makePlan(of, false, signal),
    enabled: enabled && d.dishes.length > 0,
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: (before) => before,
  });
}

export function useLook(d: SupperDocument) {
  const of = { ...planned(d), pins: undefined, now: undefined, aim: undefined };
  return useQuery({
    queryKey: ["supper-look", of],
    queryFn: ({ signal }) => unwrap(api.POST("/supper/look", { body: of, signal })),
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: (before) => before,
  });
}

export function useSides(people: number, language: string) {
  return useQuery({
    queryKey: ["sides", people, language],
    queryFn: ({ signal }) => unwrap(api.GET("/sides", { params: { query: { people } }, signal })),
    staleTime: Infinity,
  });
}

export const readSide = (text: string, name: string, people: number) =>
  unwrap(api.POST("/sides/read", { body: { text, name, people } }));

export function useSideText(steps: SupperStep[], language: string) {
  return useQuery({
    queryKey: ["side-text", steps, language],
    queryFn: ({ signal }) => unwrap(api.POST("/sides/read", { body: { steps }, signal })),
    staleTime: Infinity,
  });
}
