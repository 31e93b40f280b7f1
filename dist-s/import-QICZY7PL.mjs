import {
  importFiles,
  words
} from "./chunk-LIESLJIX.mjs";
import "./chunk-HF3HPMZO.mjs";
import "./chunk-NRT2JEC2.mjs";
import "./chunk-EZF23G65.mjs";
import "./chunk-W77MXVJI.mjs";
import "./chunk-Q5EAVEMC.mjs";
import "./chunk-M4LGBKXJ.mjs";
import "./chunk-KA42FKD4.mjs";
import "./chunk-ZD2GVI7S.mjs";
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
  importFiles,
  words
};
