/** Dossier: the pages, and where papers come out. */
package org.yellowhearth.desk.dossier;
