import arrowClockwise from "bootstrap-icons/icons/arrow-clockwise.svg?raw";
import arrowCounterclockwise from "bootstrap-icons/icons/arrow-counterclockwise.svg?raw";
import camera from "bootstrap-icons/icons/camera.svg?raw";
import bell from "bootstrap-icons/icons/bell.svg?raw";
import bellSlash from "bootstrap-icons/icons/bell-slash.svg?raw";
import check from "bootstrap-icons/icons/check2.svg?raw";
import chevronDown from "bootstrap-icons/icons/chevron-down.svg?raw";
import chevronLeft from "bootstrap-icons/icons/chevron-left.svg?raw";
import circleHalf from "bootstrap-icons/icons/circle-half.svg?raw";
import exclamation from "bootstrap-icons/icons/exclamation-triangle.svg?raw";
import gear from "bootstrap-icons/icons/gear.svg?raw";
import grip from "bootstrap-icons/icons/grip-vertical.svg?raw";
import questionCircle from "bootstrap-icons/icons/question-circle.svg?raw";
import pause from "bootstrap-icons/icons/pause-fill.svg?raw";
import play from "bootstrap-icons/icons/play-fill.svg?raw";
import plus from "bootstrap-icons/icons/plus-lg.svg?raw";
import search from "bootstrap-icons/icons/search.svg?raw";
import sliders from "bootstrap-icons/icons/sliders.svg?raw";
import threeDots from "bootstrap-icons/icons/three-dots.svg?raw";
import wifiOff from "bootstrap-icons/icons/wifi-off.svg?raw";
import x from "bootstrap-icons/icons/x-lg.svg?raw";

const icons = {
  redo: arrowClockwise,
  undo: arrowCounterclockwise,
  camera,
  bell,
  "bell-off": bellSlash,
  check,
  "chevron-down": chevronDown,
  "chevron-left": chevronLeft,
  theme: circleHalf,
  warning: exclamation,
  gear,
  grip,
  help: questionCircle,
  pause,
  play,
  plus,
  more: threeDots,
  search,
  sliders,
  offline: wifiOff,
  x,
};

export type IconName = keyof typeof icons;

/** A decorative icon; the control that holds it carries the words. */
export function Icon({ name }: { name: IconName }) {
  return <span className="icon" aria-hidden="true" dangerouslySetInnerHTML={{ __html: icons[name] }} />;
}
