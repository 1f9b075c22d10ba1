import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";

export function useCourses() {
  const { i18n } = useTranslation();
  return useQuery({
    queryKey: ["courses", i18n.language],
    queryFn: ({ signal }) => unwrap(api.GET("/api/courses", { signal })),
  });
}

export const useDeleteCourse = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.DELETE("/api/courses/{id}", { params: { path: { id } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: ["courses"] }),
  });
};

export const useRestoreCourse = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/api/courses/{id}/restore", { params: { path: { id } } })),
    onSuccess: () => void client.invalidateQueries({ queryKey: ["courses"] }),
  });
};
