import { Link } from 'react-router';

interface Props {
    /** what is missing, and why nothing stands here without it */
    text: string;
    /** the station where it is entered */
    station: string;
    act: string;
}

/** A station with nothing in it: what fills it, and the way there. */
export const NotYet = ({ text, station, act }: Props) => (
    <p className="none not-yet">
        {text}{' '}
        <Link className="plain" to={`../${station}`} relative="path">
            {act}
        </Link>
    </p>
);
