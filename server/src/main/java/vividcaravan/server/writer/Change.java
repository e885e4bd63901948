package vividcaravan.server.writer;

/**
 * A change that somebody or the product itself wants to make: looked at first, with nothing in hand to change anything, and
 * then made, if it is decided so. What is made always comes with a deed for the logbook.
 *
 * @param <T> what the asker is told
 */
@FunctionalInterface
public interface Change<T> {

    /**
     * Looks at how things stand on the writer's thread, and decides.
     *
     * @throws vividcaravan.server.platform.Refusal if it cannot be: it goes to the asker as it is
     */
    Decision<T> look(View view);
}
