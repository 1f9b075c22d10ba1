import Dropdown from "react-bootstrap/Dropdown";
import { NavLink } from "react-router";
import type { Course } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import type { Clock } from "../ui/clock";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { MoreMenu } from "../ui/more-menu";

export type CookDialog = "timer" | "instruments" | "end" | { patties: string };

/** Whose work this window shows, from 1; 0 for everybody's. */
export const whoseKey = "cuerda.cook.whose";

type Props = {
  course: Course;
  clock: Clock;
  whose: number;
  onWhose: (cook: number) => void;
  sound: boolean;
  onSound: (on: boolean) => void;
  onDialog: (dialog: CookDialog) => void;
};

/** What is cooked, for when, and what is set for this device. */
export function CookBar({ course, clock, whose, onWhose, sound, onSound, onDialog }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const lateMinutes = Math.round((Date.parse(course.ready) - Date.parse(course.table)) / 60_000);
  // Of what is not shaped yet a few may be fried first.
  const fried = course.dishes.filter(
    (d) => d.build && d.steps.some((s) => s.code === "shape" && s.status !== "done"),
  );
  const only = course.dishes.length === 1 ? course.dishes[0] : undefined;
  return (
    <header className="cook-bar">
      <NavLink to="/cook" className="wordmark">
        {t("app.name")}
      </NavLink>
      <h1 className="cook-name">{course.name}</h1>
      <p className="cook-when">
        {only?.pieces ? `${only.pieces} · ` : ""}
        {t("cook.tableAt", { time: clock.hour(course.table) })}
        {!course.ended && (
          <>
            {" · "}
            <span className={lateMinutes > 3 ? "cook-late" : ""}>
              {lateMinutes > 3
                ? t("cook.late", { minutes: format.duration(lateMinutes) })
                : lateMinutes < -5
                  ? t("cook.early", { minutes: format.duration(-lateMinutes) })
                  : t("cook.onTime")}
            </span>
          </>
        )}
      </p>
      <div className="cook-tools">
        {course.cooks > 1 && (
          <select
            className="form-select cook-chip"
            aria-label={t("cook.whose")}
            value={whose}
            onChange={(e) => {
              onWhose(Number(e.target.value));
              sessionStorage.setItem(whoseKey, e.target.value);
            }}
          >
            <option value={0}>{t("cook.whole")}</option>
            {Array.from({ length: course.cooks }, (_, i) => (
              <option key={i} value={i + 1}>
                {t("cook.cookN", { n: i + 1 })}
              </option>
            ))}
          </select>
        )}
        {course.devices > 1 && (
          <span className="cook-chip">{t("cook.follow", { count: course.devices })}</span>
        )}
        <button
          type="button"
          className="btn btn-quiet btn-icon"
          aria-label={t("cook.sound")}
          aria-pressed={sound}
          title={t(sound ? "cook.soundOn" : "cook.soundOff")}
          onClick={() => onSound(!sound)}
        >
          <Icon name={sound ? "bell" : "bell-off"} />
        </button>
        <button type="button" className="btn btn-quiet" onClick={() => onDialog("timer")}>
          <Icon name="plus" /> {t("cook.timer")}
        </button>
        <MoreMenu label={t("cook.more")} end>
          <Dropdown.Item as="button" onClick={() => onDialog("instruments")}>
            {t("cook.instrument.title")}
          </Dropdown.Item>
          {fried.map((d) => (
            <Dropdown.Item as="button" key={d.build} onClick={() => onDialog({ patties: d.build ?? "" })}>
              {fried.length > 1 ? t("patties.of", { name: d.name }) : t("patties.first")}
            </Dropdown.Item>
          ))}
          <Dropdown.Divider />
          <Dropdown.Item as="button" className="menu-end" onClick={() => onDialog("end")}>
            {t("cook.end")}
          </Dropdown.Item>
        </MoreMenu>
      </div>
    </header>
  );
}
