package vividcaravan.server.door;

import java.nio.ByteBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;

/** Takes bytes of a body that nobody wants. */
final class Discard implements ApplicationBufferHandler {

    private ByteBuffer buffer = ByteBuffer.allocate(0);

    @Override
    public void setByteBuffer(ByteBuffer given) {
        buffer = given;
    }

    @Override
    public ByteBuffer getByteBuffer() {
        return buffer;
    }

    @Override
    public void expand(int size) {
        // Nothing is gathered here.
    }
}
