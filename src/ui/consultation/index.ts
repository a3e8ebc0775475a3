export { ConsultationPage } from './ConsultationPage'
