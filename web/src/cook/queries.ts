import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";

/** Courses, those that go on first; looked at again so often, ms, where that is said. */
export function useCourses(every?: number) {
  const { i18n } = useTranslation();
  return useQuery({
    queryKey: ["courses", i18n.language],
    queryFn: ({ signal }) => unwrap(api.GET("/courses", { signal })),
    refetchInterval: every,
    retry: false,
  });
}

export const useDeleteCourse = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE("/courses/{id}", { params: { path: { id } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: ["courses"] }),
  });
};

export const useRestoreCourse = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/courses/{id}/restore", { params: { path: { id } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: ["courses"] }),
  });
};
