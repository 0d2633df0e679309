/** The help: the documentation and the tables of every limit, searchable. */
package org.yellowhearth.publishing.help;
