/** Safety: checks, stores of charge, discharge. */
package org.yellowhearth.desk.safety;
