import {
  invoice,
  orderLine,
  orderRefused
} from "./chunk-F3WQQ5UH.mjs";
import "./chunk-B3YOCYCK.mjs";
import "./chunk-KAL5CQKH.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-ZYSY576K.mjs";
import "./chunk-JSRFI5DX.mjs";
import "./chunk-7UI2N6TF.mjs";
import "./chunk-CST2UU67.mjs";
import "./chunk-55UEKTAP.mjs";
import "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-ELMUUMV5.mjs";
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
