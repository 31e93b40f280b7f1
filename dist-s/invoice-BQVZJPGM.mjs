import {
  invoice,
  orderLine,
  orderRefused
} from "./chunk-BXTJSLBJ.mjs";
import "./chunk-TSQGS7QX.mjs";
import "./chunk-WAZVMD4U.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-NRWURLOU.mjs";
import "./chunk-TFINCUNW.mjs";
import "./chunk-H7MVWNRR.mjs";
import "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";
export {
  invoice,
  orderLine,
  orderRefused
};
