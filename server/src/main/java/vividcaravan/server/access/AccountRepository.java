package vividcaravan.server.access;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface AccountRepository extends Repository<AccountRow, Long> {

    Optional<AccountRow> findByUserName(String userName);

    List<AccountRow> findAllByIsDemoOrderByUserName(boolean isDemo);

    long countByIsDemoAndRoleAndRemovedAtIsNull(boolean isDemo, Role role);

    boolean existsByIsDemoAndEmailIgnoreCaseAndRemovedAtIsNull(boolean isDemo, String email);

    /** Whether somebody has this user name, or calls themselves so; whoever was taken off too, since records name them. */
    boolean existsByUserNameOrDisplayNameIgnoreCase(String userName, String displayName);
}
