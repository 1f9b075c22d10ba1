import { keyHere } from "../api/here";
import { kitchenApi } from "../api/here";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type PracticeKind, type PracticePage, unwrap } from "../api/client";
import { send } from "../api/send";

const key = keyHere("person");

/** Who practises on this device; "" for the first of the kitchen. */
export const personHere = () => localStorage.getItem(key) ?? "";
export const keepPersonHere = (id: string) => localStorage.setItem(key, id);

export function usePractice(person: string) {
  return useQuery({
    queryKey: ["practice", person],
    queryFn: ({ signal }) => unwrap(api.GET("/practice", { params: { query: { person } }, signal })),
    // What was called is kept on the page first.
    staleTime: 30_000,
    refetchOnWindowFocus: true,
  });
}

export type Wish = { kind?: PracticeKind; try?: string };

export function useBeginPractice(person: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (wish: Wish) =>
      unwrap(
        api.POST("/practice/sittings", {
          body: { person: person || undefined, kind: wish.kind, try: wish.try },
        }),
      ),
    onSuccess: (sitting) => {
      client.setQueriesData<PracticePage>({ queryKey: ["practice", person] }, (was) =>
        was ? { ...was, person: sitting.person, sitting } : was,
      );
    },
  });
}

export function useEndPractice() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/practice/sittings/{id}/end", { params: { path: { id } } })),
    onMutate: () =>
      client.setQueriesData<PracticePage>({ queryKey: ["practice"] }, (was) =>
        was ? { ...was, sitting: undefined } : was,
      ),
    onSettled: () => client.invalidateQueries({ queryKey: ["practice"] }),
  });
}

export function useAddPerson() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (name: string) => unwrap(api.POST("/practice/people", { body: { name } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["practice"] }),
  });
}

export function useSavePerson() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, name, gone }: { id: string; name: string; gone?: boolean }) =>
      unwrap(api.PUT("/practice/people/{id}", { params: { path: { id } }, body: { name, gone } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["practice"] }),
  });
}

export const exportCalls = (person: string) =>
  `${kitchenApi}/practice/calls.csv${person ? `?person=${encodeURIComponent(person)}` : ""}`;

export function useImportCalls() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: File) => send<{ calls: number }>("/practice/calls.csv", file, "text/csv"),
    onSuccess: () => client.invalidateQueries({ queryKey: ["practice"] }),
  });
}
