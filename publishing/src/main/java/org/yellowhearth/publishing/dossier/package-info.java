/** What each paper about a set says. */
package org.yellowhearth.publishing.dossier;
