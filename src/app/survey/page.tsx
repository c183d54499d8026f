import { SurveyScreen } from '@/screens/survey/survey-screen';

export default function Page() {
  return <SurveyScreen />;
}
