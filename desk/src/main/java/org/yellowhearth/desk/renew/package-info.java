/** Renew: choosing, kits, cans, rectifiers, mains side, fitting sheet, record, shopping. */
package org.yellowhearth.desk.renew;
