import type { Language } from "@/core/followup";

/** What a customer's page of questions says, in its language. */
export type AskWords = {
  title: string;
  about: string;
  account: string;
  line: string;
  whole: string;
  kind: string;
  question: string;
  dispute: string;
  disputed: string;
  words: string;
  send: string;
  you: string;
  nothing: string;
  ended: string;
  held: string;
  back: string;
  cut: string;
};

export const ASK_WORDS: Record<Language, AskWords> = {
  en: {
    title: "Questions to",
    about: "About",
    account: "the whole account",
    line: "Which line",
    whole: "all of it",
    kind: "It is",
    question: "a question",
    dispute: "something I do not agree with",
    disputed: "you do not agree",
    words: "What do you want to say or ask?",
    send: "Send",
    you: "You",
    nothing: "Nothing was asked yet.",
    ended: "settled",
    held: "While a question is open, nobody reminds you of what it is about. Please write no card number here.",
    back: "Back to your bill",
    cut: "No answer came. It is safe to press again: it is sent once.",
  },
  es: {
    title: "Preguntas a",
    about: "Sobre",
    account: "toda la cuenta",
    line: "Qué línea",
    whole: "toda",
    kind: "Es",
    question: "una pregunta",
    dispute: "algo con lo que no estoy de acuerdo",
    disputed: "no está de acuerdo",
    words: "¿Qué quiere decir o preguntar?",
    send: "Enviar",
    you: "Usted",
    nothing: "Todavía no se preguntó nada.",
    ended: "resuelto",
    held: "Mientras una pregunta esté abierta, nadie se lo recordará. No escriba aquí ningún número de tarjeta.",
    back: "Volver a su factura",
    cut: "No llegó respuesta. Puede pulsar otra vez: se envía una sola vez.",
  },
  fr: {
    title: "Questions à",
    about: "À propos de",
    account: "tout le compte",
    line: "Quelle ligne",
    whole: "toute la facture",
    kind: "C’est",
    question: "une question",
    dispute: "quelque chose que je conteste",
    disputed: "contesté",
    words: "Que voulez-vous dire ou demander ?",
    send: "Envoyer",
    you: "Vous",
    nothing: "Rien n’a encore été demandé.",
    ended: "réglé",
    held: "Tant qu’une question est ouverte, personne ne vous relance. N’écrivez aucun numéro de carte ici.",
    back: "Retour à votre facture",
    cut: "Aucune réponse n’est arrivée. Vous pouvez appuyer encore : l’envoi ne se fait qu’une fois.",
  },
  de: {
    title: "Fragen an",
    about: "Zu",
    account: "dem ganzen Konto",
    line: "Welche Zeile",
    whole: "alles",
    kind: "Es ist",
    question: "eine Frage",
    dispute: "etwas, dem ich widerspreche",
    disputed: "widersprochen",
    words: "Was möchten Sie sagen oder fragen?",
    send: "Senden",
    you: "Sie",
    nothing: "Es wurde noch nichts gefragt.",
    ended: "geklärt",
    held: "Solange eine Frage offen ist, mahnt Sie niemand. Bitte schreiben Sie hier keine Kartennummer.",
    back: "Zurück zu Ihrer Rechnung",
    cut: "Es kam keine Antwort. Sie können noch einmal drücken: Es wird nur einmal gesendet.",
  },
};
