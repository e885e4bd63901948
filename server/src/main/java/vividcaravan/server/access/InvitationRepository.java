package vividcaravan.server.access;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;

interface InvitationRepository extends JpaRepository<InvitationRow, Long> {

    Optional<InvitationRow> findBySecretHashAndIsDemo(String secretHash, boolean isDemo);

    /** Locked, so that two who use the same link at once do not both get in. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<InvitationRow> findWithLockBySecretHashAndIsDemo(String secretHash, boolean isDemo);

    List<InvitationRow> findAllByIsDemoAndUsedAtIsNullAndWithdrawnAtIsNullOrderById(boolean isDemo);
}
