/** The rule files that ship, and what reads and checks them. */
package org.yellowhearth.knowledge;
