/** What is due: worked out anew from journals, hours and a moment, never kept. */
package org.yellowhearth.core.agenda;
