import { AREAS, type Area } from "~/core/drills/areas";
import { AREA_WORDS } from "~/core/text/areas";

/** A tick for each area that can be protected. */
export function AreaChoice({ legend, chosen, onChange }: { legend: string; chosen: readonly Area[]; onChange: (areas: Area[]) => void }) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-medium text-ink-soft">{legend}</legend>
      <div className="grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        {AREAS.map((area) => (
          <label key={area} className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox" name="area" value={area} className="size-4 accent-(--depth-5)" checked={chosen.includes(area)}
              onChange={(e) => onChange(e.target.checked ? [...chosen, area] : chosen.filter((a) => a !== area))}
            />
            {AREA_WORDS[area]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
