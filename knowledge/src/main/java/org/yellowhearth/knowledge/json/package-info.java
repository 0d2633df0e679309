/**
 * JSON read strictly, with line and pointer in every refusal, and records written and read by their
 * stored names.
 */
package org.yellowhearth.knowledge.json;
