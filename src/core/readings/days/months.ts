import { withoutAccents } from "@/core/formats";

/** The months as English, German, French, Spanish, Italian, Dutch and Portuguese write them (CLDR; from memory). */
const NAMES: readonly string[] = [
  "january januar janner janvier enero gennaio januari janeiro ene gen",
  "february februar fevrier febrero febbraio februari fevereiro fev fevr",
  "march marz mars marzo maart marco mrt mrz",
  "april avril abril aprile avr abr",
  "may mai mayo maggio mei maio mag",
  "june juni juin junio giugno junho giu",
  "july juli juillet julio luglio julho juil lug",
  "august aout agosto augustus ago",
  "september septembre septiembre settembre setembro sept set",
  "october oktober octobre octubre ottobre outubro okt ott out",
  "november novembre noviembre novembro",
  "december dezember decembre diciembre dicembre dezembro dez dic",
];

const MONTH_OF = new Map<string, number>(
  NAMES.flatMap((names, at) =>
    names
      .split(" ")
      .flatMap((name) => [name, ...(name.length > 3 ? [name.slice(0, 3)] : [])])
      .map((name) => [name, at + 1] as const),
  ),
);
// Three letters that two months share say nothing of their own.
for (const shared of ["jui"]) MONTH_OF.delete(shared);

/** The month that a word names, 1 to 12; null where it names none. @example monthOf("Okt.") // 10 */
export const monthOf = (word: string): number | null =>
  MONTH_OF.get(withoutAccents(word).replace(/\.$/, "")) ?? null;
