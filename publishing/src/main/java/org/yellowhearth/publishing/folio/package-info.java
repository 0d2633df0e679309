/** Papers as blocks, and how they are set: PDF, web page, Markdown; typefaces for every script. */
package org.yellowhearth.publishing.folio;
