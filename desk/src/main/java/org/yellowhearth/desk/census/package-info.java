/** Census: the list of parts, the decoder, import. */
package org.yellowhearth.desk.census;
