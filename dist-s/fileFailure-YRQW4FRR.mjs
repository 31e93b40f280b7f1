import {
  failureOfFile,
  withFiles
} from "./chunk-VIXS4KXC.mjs";
export {
  failureOfFile,
  withFiles
};
