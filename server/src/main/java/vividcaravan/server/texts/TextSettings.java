package vividcaravan.server.texts;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What an operator can set about text messages, as {@code vivid.texts.*} properties.
 *
 * @param allowInside whether the service may be on this machine or in its own network segment; not unless said, so that nobody
 *     reaches through the product what they could not reach themselves
 */
@ConfigurationProperties("vivid.texts")
public record TextSettings(@DefaultValue("false") boolean allowInside) {}
