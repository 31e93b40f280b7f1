declare module "swiftmessageparser" {
  export function parse(message: { type: "mt940"; data: string }): Promise<
    {
      readonly transactions: readonly {
        /** The value day. */
        readonly date: string | Date;
        /** Signed, with a point. */
        readonly amount: string;
      }[];
    }[]
  >;
}
