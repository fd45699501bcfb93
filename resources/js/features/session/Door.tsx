import { useQuery } from '@tanstack/react-query';
import { entranceQuery } from '../../api/people';
import { FirstAccount } from './FirstAccount';
import { SignIn } from './SignIn';

/** Signing in, or making the first account where there is none. */
export function Door() {
    const entrance = useQuery(entranceQuery);
    if (entrance.isPending) return <p className="waiting">One moment.</p>;
    return entrance.data?.first ? <FirstAccount /> : <SignIn />;
}
