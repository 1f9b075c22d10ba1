import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api, ApiError, type Course, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useTheme } from "../ui/theme";
import { Trouble } from "../ui/trouble";
import { Cook } from "./cook";
import { useRestoreCourse } from "./queries";
import { CourseSession } from "./session";

/** /cook/:id */
export default function CookPage() {
  const { id = "" } = useParams();
  const { t, i18n } = useTranslation();
  const navigate = useNavigate();
  useTheme();
  const restore = useRestoreCourse();
  const course = useQuery({
    queryKey: ["course", id, i18n.language],
    queryFn: ({ signal }) => unwrap(api.GET("/courses/{id}", { params: { path: { id } }, signal })),
    retry: false,
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  const lost = course.error instanceof ApiError && course.error.temporary;
  const kept = lost ? CourseSession.kept(id) : undefined;
  const shown = course.data ?? kept;
  if (shown) return <Going key={`${shown.id} ${i18n.language}`} course={shown} fresh={!kept} />;
  if (course.error) {
    const gone = course.error instanceof ApiError && course.error.status === 410;
    const missing =
      course.error instanceof ApiError && (course.error.status === 404 || course.error.status === 422);
    return (
      <Trouble
        words={t(gone ? "cook.gone" : missing ? "cook.missing" : "cook.failed")}
        action={gone ? t("builds.bringBack") : missing ? t("cook.toCook") : undefined}
        onRetry={() => {
          if (gone) restore.mutate(id, { onSuccess: () => void course.refetch() });
          else if (missing) void navigate("/cook");
          else void course.refetch();
        }}
      />
    );
  }
  return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
}

function Going({ course, fresh }: { course: Course; fresh: boolean }) {
  const { t, i18n } = useTranslation();
  const [session] = useState(
    () => new CourseSession(course.id, course, t("cook.device"), i18n.language, fresh),
  );
  useEffect(() => session.follow(), [session]);
  return <Cook session={session} />;
}
