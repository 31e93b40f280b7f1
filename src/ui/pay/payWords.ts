/** What the pay page says, in the customer's language; `{sum}` and the like are filled in by `say`. */
export type PayWords = {
  asks: string;
  nothing: string;
  wasDue: string;
  due: string;
  beingPaid: string;
  onWay: string;
  youPay: string;
  how: string;
  card: string;
  cardNote: string;
  bank: string;
  bankNote: string;
  costsNothing: string;
  costs: string;
  saves: string;
  onTop: string;
  saved: string;
  ownSum: string;
  limits: string;
  outside: string;
  fixed: string;
  ended: string;
  inParts: string;
  notInParts: string;
  parts: string;
  inPlan: string;
  plan: string;
  planAgreed: string;
  runsOut: string;
  remove: string;
  goOn: string;
  notYet: string;
  back: string;
  number: string;
  expiry: string;
  code: string;
  routing: string;
  account: string;
  again: string;
  keep: string;
  agree: string;
  agreeNote: string;
  agreed: string;
  end: string;
  look: string;
  lookTitle: string;
  for: string;
  from: string;
  counts: string;
  atOnce: string;
  receipt: string;
  pressing: string;
  pay: string;
  change: string;
  working: string;
  paid: string;
  thanks: string;
  started: string;
  startedNote: string;
  proveTitle: string;
  proveBefore: string;
  proveNote: string;
  proveSend: string;
  proveFirst: string;
  proveSecond: string;
  proveGo: string;
  signIn: string;
  codeAsked: string;
  codeNote: string;
  bankCode: string;
  codeGo: string;
  codeGiveUp: string;
  codeWrong: string;
  declined: string;
  declinedNext: string;
  cut: string;
  questions: string;
  notHere: string;
  /** Invoices that are chosen together and may not be paid in one way. */
  notTogether: string;
  script: string;
  otherCurrency: string;
  onAccount: string;
  problems: Readonly<Record<string, string>>;
};

export const ENGLISH: PayWords = {
  asks: "{business} asks",
  nothing: "Nothing is open. Thank you.",
  wasDue: "was due",
  due: "due",
  beingPaid: "is being paid already",
  onWay: "{sum} is on its way, and counts as paid on {day}.",
  youPay: "You pay",
  how: "How",
  card: "Card",
  cardNote: "at once",
  bank: "Bank account (ACH)",
  bankNote: "counts as paid on {day}",
  costsNothing: "costs nothing",
  costs: "costs {sum} more",
  saves: "saves {sum}",
  onTop: "on top",
  saved: "saved",
  ownSum: "Another sum",
  limits: "From {from} to {to}; the oldest are paid first.",
  outside: "Between {from} and {to}.",
  fixed: "The business has set this sum.",
  ended: "All of this is paid. Thank you.",
  inParts: "At once, or in parts",
  notInParts: "at once",
  parts: "in {count} parts, month by month",
  inPlan: "is paid in parts",
  plan: "Paid in parts, as you agreed:",
  planAgreed:
    "By pressing Pay you let each part be taken on its day from here. You can end this any day on this page; then all that is left is due.",
  runsOut: "runs out",
  remove: "take off",
  goOn: "Go on",
  notYet: "Nothing is taken before the last look.",
  back: "back",
  number: "Card number",
  expiry: "Month and year",
  code: "Code on the card",
  routing: "Routing number, nine digits",
  account: "Account number",
  again: "Once more",
  keep: "Keep it for next time",
  agree: "Pay my invoices by themselves on the day they are due",
  agreeNote: "You see the words first, and can end it any day.",
  agreed: "What is due is taken from {method}, as agreed on {day}.",
  end: "end that",
  look: "The last look",
  lookTitle: "You pay {business}",
  for: "for",
  from: "from",
  counts: "counts as paid",
  atOnce: "at once",
  receipt: "receipt to",
  pressing: "By pressing Pay you let {business} take this sum once.",
  pay: "Pay {sum}",
  change: "Change something",
  working: "One moment …",
  paid: "Paid",
  thanks: "Thank you. {business} has your payment.",
  started: "On its way",
  startedNote: "Your bank lets it go in a few days. It counts as paid on {day}.",
  proveTitle: "Is it your account?",
  proveBefore:
    "Before anything is taken from it, two small sums are sent to it, which you type here.",
  proveNote: "Two small sums are there on {day}: they prove that it is yours.",
  proveSend: "Keep it, and send two small sums",
  proveFirst: "One sum",
  proveSecond: "The other",
  proveGo: "It is mine",
  signIn: "Sign in at your bank instead",
  codeAsked: "Your bank asks for a code",
  codeNote: "Your bank has sent it to you. Nothing is taken before you type it.",
  bankCode: "Code from your bank",
  codeGo: "Confirm",
  codeGiveUp: "Pay another way",
  codeWrong: "That is not the code that was sent. After three tries the bank declines.",
  declined: "It was not taken",
  declinedNext: "Nothing was taken. Try another way to pay, or the same one later.",
  cut: "The answer did not arrive. Press again: nothing is taken twice.",
  questions: "Something not right?",
  notTogether:
    "Some of these are paid in different ways. Choose fewer of them, and pay one after the other.",
  notHere: "Nothing can be paid on this page just now.",
  script: "To pay here, scripts have to be allowed for this page.",
  otherCurrency: "What is open in {currency}",
  onAccount: "{sum} of yours is on account and not taken off here. Ask us to use it first.",
  problems: {
    lost: "It never reached the bank: nothing was taken.",
    "proof.wrong": "These are not the two sums that came. There are three tries.",
    "proof.over":
      "Three tries were wrong. Take this account off, and type it anew or pay another way.",
    "card.number": "One of the digits is wrong, or this card is not taken here.",
    "card.length": "A card number has 12 to 19 digits.",
    "card.expiry": "Write it like 04/29.",
    "card.expired": "This card has run out.",
    "card.code": "The three or four digits on the card.",
    "account.routing": "Nine digits, at the lower left of a check.",
    "account.form": "An account number has 4 to 17 digits.",
    "account.again": "The two numbers differ.",
    "05": "The bank did not approve it and gives no reason.",
    "14": "The bank does not know this card number.",
    "41": "The bank has this card on its list of lost ones.",
    "43": "The bank has this card on its list of stolen ones.",
    "51": "There is not enough on the account for this sum.",
    "54": "The card has run out.",
    "57": "The bank does not permit this kind of payment with this card.",
    "61": "The sum is over the limit of this card.",
    "65": "Your bank wanted a code for this card, and did not get it.",
    "82": "The code of the card is not right.",
    "91": "The bank cannot be reached just now.",
  },
};
