import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap } from "../api/client";

/** Begins to cook a supper or a build, and goes to the stove. */
export function useBeginCourse() {
  const client = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (body: { supper?: string; build?: string }) => unwrap(api.POST("/courses", { body })),
    onSuccess: (course) => {
      void client.invalidateQueries({ queryKey: ["courses"] });
      void navigate(`/cook/${course.id}`);
    },
  });
}
