package vividcaravan.server.mail;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface OutgoingMailRepository extends Repository<OutgoingMailRow, Long> {

    Optional<OutgoingMailRow> findById(Long id);

    List<OutgoingMailRow> findTop100ByIsDemoOrderByIdDesc(boolean isDemo);

    Optional<OutgoingMailRow> findFirstByStateAndIsDemoAndNextTryAtLessThanEqualOrderByCanWaitAscIdAsc(
            MailState state, boolean isDemo, Instant now);
}
