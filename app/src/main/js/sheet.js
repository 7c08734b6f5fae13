// Asks the server for edits of a sheet, one after another, so that each goes out with the version the one before came back with.

import { send, show } from "./exchange.js";

/**
 * @param base address of the sheet
 * @param tell says how it went
 * @param saved after an accepted edit
 * @param refused after one that was not
 */
export function startSheet({ base, tell, saved, refused }) {
  const state = () => document.getElementById("sheet-state").dataset;
  let asking = Promise.resolve();

  function ask(where, body) {
    asking = asking.then(async () => {
      const answer = await send("POST", `${base}/${where}`, typeof body === "function" ? body() : body);
      if (answer.ok) {
        show(answer.page);
        tell("Saved.");
        saved();
      } else {
        tell(answer.unheard ? `Not saved: ${answer.problem}. Do it again.`
          : answer.problem + (answer.conflict ? " Nothing of yours was saved; reload the page to see theirs." : ""), true);
        refused();
      }
      return answer.ok;
    });
    return asking;
  }

  return {
    storey: () => state().storey,
    ask,
    edit: (what) => ask("edits", () => ({ storey: state().storey, version: Number(state().version), edit: what })),
    history: (what) => ask(what, () => ({ storey: state().storey, version: Number(state().version) })),
  };
}
