package vividcaravan.core.alert;

/** On the strength of what an alert was closed. */
public enum ClosedOn {
    /** The readings proved that all is well. */
    READINGS,
    /** A tyre that was run soft was inspected off the vehicle by a named person, or scrapped. */
    INSPECTION,
    /** Somebody's word and reason: no proof. */
    WORD,
    /** The readings belonged to another wheel, or showed that there was nothing. */
    WITHDRAWN
}
