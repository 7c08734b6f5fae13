// A figure is read as the person's region writes it, by the rule that forms are read by when they are sent (RegionForms).

const GAP = " \\t\u00a0\u1680\u180e\u2000-\u200a\u202f\u205f\u3000";
const SPACED = new RegExp(`^([+-]?\\d{1,3})((?:[${GAP}'\u2019]\\d{3})+)(?![\\d${GAP}])(.*)$`);
const BY_COMMA = /^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d*)?$/;
const BY_POINT = /^[+-]?[1-9]\d{0,2}(\.\d{3})+(,\d*)?$/;
const PLAIN = /^[+-]?(\d+(\.\d*)?|\.\d+)$/;
const LONGEST = 40;

const commaParts = () => document.querySelector("meta[name='comma-parts']") !== null;
const isTwice = (text, sign) => text.indexOf(sign) !== text.lastIndexOf(sign);

/** @returns the figure that was meant, or NaN where it is none */
export function figure(typed) {
  if (typed.length > LONGEST) {
    return NaN;
  }
  let bare = typed.trim().replaceAll("\u2212", "-");
  const [, first, groups, rest] = SPACED.exec(bare) ?? [];
  if (groups) {
    bare = first + groups.replace(/\D/g, "") + rest;
  }
  const more = bare.includes(".") && bare.includes(",") || isTwice(bare, ",") || isTwice(bare, ".");
  if (BY_COMMA.test(bare) && (more || commaParts())) {
    bare = bare.replaceAll(",", "");
  } else if (BY_POINT.test(bare) && more) {
    bare = bare.replaceAll(".", "").replace(",", ".");
  } else {
    bare = bare.replaceAll(",", ".");
  }
  return PLAIN.test(bare) ? Number(bare) : NaN;
}
