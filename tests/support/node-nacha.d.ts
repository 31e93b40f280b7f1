declare module "@midlandsbank/node-nacha" {
  type Entry = {
    amount: number;
    receivingCompanyName: string;
    traceNumber: number;
    addenda: { info: string };
  };
  const nacha: { from(text: string): { data: { batches: { entries: Entry[] }[] } } };
  export = nacha;
}
