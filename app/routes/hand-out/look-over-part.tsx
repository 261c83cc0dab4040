import { CautionList } from "~/app/ui/cautions";
import { TriangleAlert } from "lucide-react";
import type { HandOutPage } from "./data.server";
import { cx } from "~/app/ui/classes";
import { Still } from "~/app/ui/figure/still";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { clockText, secondsText } from "~/core/lengths";
import { againstTarget } from "~/core/wording/target";
import { PURPOSE_WORDS } from "~/core/wording/words";

/** What would be handed out: its length, its drills, its kit, and the cautions people will be shown. */
export function LookOverPart({ page }: { page: HandOutPage }) {
  const against = againstTarget(page.totalSeconds, page.target);
  return (
    <section className="flex flex-col gap-4 rounded-lg border border-line bg-land p-5">
      <h2 className="wide-type text-lg font-semibold">Look it over</h2>
      <div className="flex items-end gap-4">
        <MiniProfilePicture profile={page.profile} className="h-20 min-w-0 flex-1" />
        <p className="text-right">
          <span className="clock-type block text-4xl leading-none">{clockText(page.totalSeconds)}</span>
          <span className={cx("text-sm", against.kind === "over" ? "font-medium text-plum" : "text-ink-soft")}>
            {against.words}
          </span>
        </p>
      </div>
      <p className="text-ink-soft">
        {PURPOSE_WORDS[page.purpose]} · work left {secondsText(page.work.left)}, right {secondsText(page.work.right)},
        both {secondsText(page.work.both)}
      </p>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(6rem,1fr))] gap-x-2 gap-y-3" aria-label="Drills in order">
        {page.items.map((item, i) => (
          <li key={i} className="flex flex-col items-center text-center text-sm leading-tight text-ink-soft">
            <Still drill={item.drill} level={item.level} at="pair" size={112} className="w-full rounded-md bg-paper" />
            <span className="mt-1 line-clamp-2">
              {i + 1}. {item.name}
            </span>
          </li>
        ))}
      </ol>
      <div className="grid gap-5 md:grid-cols-2">
        <div>
          <h3 className="font-semibold">Kit for each person</h3>
          {page.kit.length === 0 ? (
            <p className="text-ink-soft">None.</p>
          ) : (
            <ul>
              {page.kit.map((need) => (
                <li key={need.kit}>
                  {need.pieces > 1 && `${need.pieces} × `}
                  {need.words} <span className="text-sm text-ink-faint">or {need.instead}</span>
                </li>
              ))}
            </ul>
          )}
        </div>
        <div>
          <h3 className="flex items-center gap-1.5 font-semibold text-plum">
            <TriangleAlert size={15} aria-hidden /> Cautions they will see
          </h3>
          <CautionList cautions={page.cautions} className="mt-1 text-sm" />
        </div>
      </div>
    </section>
  );
}
